# find_package(coldbrick [COMPONENTS core files sheet]) after an install.
include(CMakePackageConfigHelpers)

set(package_folder ${CMAKE_INSTALL_LIBDIR}/cmake/coldbrick)
foreach(component core files sheet)
    install(TARGETS coldbrick_${component} EXPORT coldbrick-${component})
    install(EXPORT coldbrick-${component} NAMESPACE coldbrick:: DESTINATION ${package_folder})
endforeach()
install(DIRECTORY ${PROJECT_SOURCE_DIR}/include/ DESTINATION ${CMAKE_INSTALL_INCLUDEDIR})
if(COLDBRICK_TOOL)
    install(TARGETS coldbrick_tool)
endif()

write_basic_package_version_file(${PROJECT_BINARY_DIR}/coldbrick-config-version.cmake COMPATIBILITY SameMinorVersion)
install(FILES ${PROJECT_SOURCE_DIR}/cmake/coldbrick-config.cmake
    ${PROJECT_BINARY_DIR}/coldbrick-config-version.cmake DESTINATION ${package_folder})
