# Installs the build in BUILD into WORK, then configures, builds and runs consumers that find it there.
function(run)
    execute_process(COMMAND ${ARGN} RESULT_VARIABLE status OUTPUT_VARIABLE output ERROR_VARIABLE output)
    if(NOT status EQUAL 0)
        message(FATAL_ERROR "${ARGN}\n${output}")
    endif()
endfunction()

file(REMOVE_RECURSE ${WORK})
run(${CMAKE_COMMAND} --install ${BUILD} --prefix ${WORK}/installed)
set(components_core_only core)
set(components_text_only text)
set(components_everything "") # all there are
foreach(main IN ITEMS core_only text_only everything)
    run(${CMAKE_COMMAND} -G Ninja -S ${CMAKE_CURRENT_LIST_DIR} -B ${WORK}/${main} -DMAIN=${main}.cpp
        -DWANTED=${components_${main}}
        -DCMAKE_PREFIX_PATH=${WORK}/installed -DCMAKE_CXX_COMPILER=${COMPILER} -DCMAKE_CXX_FLAGS=${FLAGS})
    run(${CMAKE_COMMAND} --build ${WORK}/${main})
    run(${WORK}/${main}/harbour_light)
endforeach()
run(${WORK}/installed/bin/coldbrick --version)

# What they weigh, in bytes, at most; stripped. Only where nothing is added for tests.
if(WEIGHED)
    set(weights core_only/harbour_light 780000 everything/harbour_light 5000000 installed/bin/coldbrick 5000000
        installed/lib/libcoldbrick_core.a 4700000 installed/lib/libcoldbrick_sheet.a 2600000)
    while(weights)
        list(POP_FRONT weights file most)
        if(NOT file MATCHES "[.]a$")
            run(strip ${WORK}/${file})
        endif()
        file(SIZE ${WORK}/${file} weight)
        if(weight GREATER most)
            message(FATAL_ERROR "${file} has ${weight} bytes, at most ${most} are meant")
        endif()
    endwhile()
endif()

# The same through pkg-config.
file(GLOB_RECURSE pc_file ${WORK}/installed/coldbrick-core.pc)
cmake_path(GET pc_file PARENT_PATH pc_folder)
set(ENV{PKG_CONFIG_PATH} ${pc_folder})
set(ENV{LD_LIBRARY_PATH} ${pc_folder}/..)
separate_arguments(flags UNIX_COMMAND "${FLAGS}")
foreach(case IN ITEMS "core_only;coldbrick-core" "core_only;--static;coldbrick-core" "everything;coldbrick"
        "everything;--static;coldbrick")
    list(POP_FRONT case main)
    execute_process(COMMAND pkg-config --cflags --libs --define-variable=prefix=${WORK}/installed ${case}
        OUTPUT_VARIABLE pc_flags OUTPUT_STRIP_TRAILING_WHITESPACE COMMAND_ERROR_IS_FATAL ANY)
    separate_arguments(pc_flags UNIX_COMMAND "${pc_flags}")
    run(${COMPILER} -std=c++20 ${flags} ${CMAKE_CURRENT_LIST_DIR}/${main}.cpp -o ${WORK}/by_pkg_config ${pc_flags})
    run(${WORK}/by_pkg_config)
endforeach()

# A component that does not exist is refused by its name.
execute_process(COMMAND ${CMAKE_COMMAND} -G Ninja -S ${CMAKE_CURRENT_LIST_DIR} -B ${WORK}/wrong -DMAIN=core_only.cpp
    -DWANTED=sonar -DCMAKE_PREFIX_PATH=${WORK}/installed -DCMAKE_CXX_COMPILER=${COMPILER} RESULT_VARIABLE status ERROR_VARIABLE output OUTPUT_QUIET)
if(status EQUAL 0 OR NOT output MATCHES "coldbrick has no component \"sonar\"")
    message(FATAL_ERROR "an unknown component is not refused:\n${output}")
endif()

# Text needs no library that reads fonts.
execute_process(COMMAND ldd ${WORK}/text_only/harbour_light OUTPUT_VARIABLE linked)
if(linked MATCHES "freetype|harfbuzz|fontconfig")
    message(FATAL_ERROR "the component text links a font library:\n${linked}")
endif()

# The core needs no libpng, and text no font library; what does is told so.
set(core_alone ${CMAKE_COMMAND} -G Ninja -S ${CMAKE_CURRENT_LIST_DIR}/../.. -B ${WORK}/core_alone -DCOLDBRICK_FILES=OFF -DCOLDBRICK_FONTS=OFF
    -DCOLDBRICK_DEVELOPER=OFF -DCMAKE_DISABLE_FIND_PACKAGE_PNG=ON -DCMAKE_CXX_COMPILER=${COMPILER})
run(${core_alone} -DCOLDBRICK_TOOL=OFF)
execute_process(COMMAND ${core_alone} -DCOLDBRICK_TOOL=ON RESULT_VARIABLE status ERROR_VARIABLE output OUTPUT_QUIET)
if(status EQUAL 0 OR NOT output MATCHES "need image files and fonts")
    message(FATAL_ERROR "a tool without image files and fonts is not refused:\n${output}")
endif()
