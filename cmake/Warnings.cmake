# Every target of the project is held to these; users of the library are not.
add_library(coldbrick_warnings INTERFACE)
if(COLDBRICK_DEVELOPER)
    target_compile_options(coldbrick_warnings INTERFACE
        -Wall -Wextra -Wpedantic -Wconversion -Wsign-conversion -Wshadow -Wnon-virtual-dtor
        -Wold-style-cast -Wcast-qual "$<$<CXX_COMPILER_ID:GNU>:-Wduplicated-cond;-Wlogical-op>" -Werror)
endif()
if(COLDBRICK_UNITY)
    # Of sources that are compiled together, g++ takes the names without linkage for those of a header.
    target_compile_options(coldbrick_warnings INTERFACE "$<$<CXX_COMPILER_ID:GNU>:-Wno-subobject-linkage>")
endif()
