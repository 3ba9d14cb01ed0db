# Every target of the project is held to these; users of the library are not.
add_library(coldbrick_warnings INTERFACE)
if(COLDBRICK_DEVELOPER)
    target_compile_options(coldbrick_warnings INTERFACE
        -Wall -Wextra -Wpedantic -Wconversion -Wsign-conversion -Wshadow -Wnon-virtual-dtor
        -Wold-style-cast -Wcast-qual "$<$<CXX_COMPILER_ID:GNU>:-Wduplicated-cond;-Wlogical-op>" -Werror)
endif()
