# The target check_sources: clang-format over all sources and clang-tidy over the library and the tool. Each file is
# checked again only when it or a header has changed.
find_program(CLANG_FORMAT clang-format REQUIRED)
find_program(CLANG_TIDY clang-tidy REQUIRED)

file(GLOB_RECURSE headers CONFIGURE_DEPENDS include/*.hpp src/*.hpp apps/*.hpp)
file(GLOB_RECURSE tidied CONFIGURE_DEPENDS src/*.cpp apps/*.cpp examples/*.cpp)
file(GLOB_RECURSE formatted CONFIGURE_DEPENDS tests/*.cpp tests/*.hpp benchmarks/*.cpp benchmarks/*.hpp)
list(APPEND formatted ${headers} ${tidied})

set(stamps "")
foreach(source IN LISTS formatted)
    file(RELATIVE_PATH name ${PROJECT_SOURCE_DIR} ${source})
    set(stamp ${PROJECT_BINARY_DIR}/checked/${name}.format)
    cmake_path(GET stamp PARENT_PATH folder)
    file(MAKE_DIRECTORY ${folder})
    add_custom_command(OUTPUT ${stamp}
        COMMAND ${CLANG_FORMAT} --dry-run --Werror ${source}
        COMMAND ${CMAKE_COMMAND} -E touch ${stamp}
        DEPENDS ${source} ${PROJECT_SOURCE_DIR}/.clang-format COMMENT "" VERBATIM)
    list(APPEND stamps ${stamp})
endforeach()
foreach(source IN LISTS tidied)
    file(RELATIVE_PATH name ${PROJECT_SOURCE_DIR} ${source})
    set(stamp ${PROJECT_BINARY_DIR}/checked/${name}.tidy)
    add_custom_command(OUTPUT ${stamp}
        COMMAND ${CLANG_TIDY} -p ${PROJECT_BINARY_DIR} --quiet --extra-arg=-Wno-unknown-warning-option ${source}
        COMMAND ${CMAKE_COMMAND} -E touch ${stamp}
        DEPENDS ${source} ${headers} ${PROJECT_SOURCE_DIR}/.clang-tidy COMMENT "Checking ${name}" VERBATIM)
    list(APPEND stamps ${stamp})
endforeach()
add_custom_target(check_sources DEPENDS ${stamps})
