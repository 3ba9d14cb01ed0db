# find_package(coldbrick [COMPONENTS core text fonts files sheet]) after an install.
include(CMakePackageConfigHelpers)

set(package_folder ${CMAKE_INSTALL_LIBDIR}/cmake/coldbrick)
include(${CMAKE_CURRENT_LIST_DIR}/PkgConfig.cmake)
foreach(component IN LISTS coldbrick_components)
    if(component STREQUAL core)
        install(TARGETS coldbrick_core EXPORT coldbrick-core FILE_SET HEADERS)
    else()
        install(TARGETS coldbrick_${component} EXPORT coldbrick-${component})
    endif()
    install(EXPORT coldbrick-${component} NAMESPACE coldbrick:: DESTINATION ${package_folder})
endforeach()
if(COLDBRICK_TOOL)
    install(TARGETS coldbrick_tool)
    install(FILES ${PROJECT_BINARY_DIR}/apps/coldbrick/coldbrick.1 DESTINATION ${CMAKE_INSTALL_MANDIR}/man1)
    install(FILES ${PROJECT_BINARY_DIR}/apps/coldbrick/coldbrick-sheet.5 DESTINATION ${CMAKE_INSTALL_MANDIR}/man5)
    install(FILES README.md CHANGELOG.md DESTINATION ${CMAKE_INSTALL_DOCDIR})
    install(DIRECTORY docs DESTINATION ${CMAKE_INSTALL_DOCDIR})
    install(FILES ${PROJECT_BINARY_DIR}/apps/coldbrick/completion RENAME coldbrick
        DESTINATION ${CMAKE_INSTALL_DATAROOTDIR}/bash-completion/completions)
endif()

write_basic_package_version_file(${PROJECT_BINARY_DIR}/coldbrick-config-version.cmake COMPATIBILITY SameMinorVersion)
install(FILES ${PROJECT_SOURCE_DIR}/cmake/coldbrick-config.cmake ${PROJECT_SOURCE_DIR}/cmake/FindCsv.cmake
    ${PROJECT_SOURCE_DIR}/cmake/FindWebP.cmake
    ${PROJECT_BINARY_DIR}/coldbrick-config-version.cmake DESTINATION ${package_folder})
