# The target check_sources: clang-format over all sources, and clang-tidy over the library, the tool and the examples. A
# layer is one source here (COLDBRICK_UNITY), and is looked at again only when it was compiled again.
find_program(CLANG_FORMAT clang-format REQUIRED)
find_program(CLANG_TIDY clang-tidy REQUIRED)

set(stamps ${PROJECT_BINARY_DIR}/checked)
file(MAKE_DIRECTORY ${stamps})

file(GLOB_RECURSE formatted CONFIGURE_DEPENDS include/*.hpp src/*.[ch]pp apps/*.[ch]pp tests/*.[ch]pp benchmarks/*.[ch]pp
    examples/*.cpp)
add_custom_command(OUTPUT ${stamps}/format
    COMMAND ${CLANG_FORMAT} --dry-run --Werror ${formatted}
    COMMAND ${CMAKE_COMMAND} -E touch ${stamps}/format
    DEPENDS ${formatted} ${PROJECT_SOURCE_DIR}/.clang-format COMMENT "Checking the sources' form" VERBATIM)
set(checked ${stamps}/format)

# add_tidy(TARGET SOURCE)
function(add_tidy target source)
    add_custom_command(OUTPUT ${stamps}/${target}
        COMMAND ${CLANG_TIDY} -p ${PROJECT_BINARY_DIR} --quiet --checks=-bugprone-suspicious-include ${source}
        COMMAND ${CMAKE_COMMAND} -E touch ${stamps}/${target}
        DEPENDS $<TARGET_OBJECTS:${target}> ${PROJECT_SOURCE_DIR}/.clang-tidy COMMENT "Checking ${target}" VERBATIM)
    set(checked ${checked} ${stamps}/${target} PARENT_SCOPE)
endfunction()
foreach(layer base geometry raster paint image drawing files sheet)
    add_tidy(coldbrick_${layer} ${PROJECT_BINARY_DIR}/src/CMakeFiles/coldbrick_${layer}.dir/Unity/unity_0_cxx.cxx)
endforeach()
add_tidy(coldbrick_tool ${PROJECT_BINARY_DIR}/apps/coldbrick/CMakeFiles/coldbrick_tool.dir/Unity/unity_0_cxx.cxx)
foreach(example own_buffer compose)
    add_tidy(${example} ${PROJECT_SOURCE_DIR}/examples/${example}.cpp)
endforeach()
add_custom_target(check_sources DEPENDS ${checked})
