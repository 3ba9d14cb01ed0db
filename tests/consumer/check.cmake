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

# How many lines of headers a consumer compiles, at most.
if(WEIGHED)
    set(parsed draw 24000 coldbrick 33500)
    while(parsed)
        list(POP_FRONT parsed header most)
        file(WRITE ${WORK}/header.cpp "#include <coldbrick/${header}.hpp>\n")
        execute_process(COMMAND ${COMPILER} -std=c++20 -E -P -I${WORK}/installed/include ${WORK}/header.cpp
            OUTPUT_VARIABLE text COMMAND_ERROR_IS_FATAL ANY)
        string(REGEX REPLACE "[^\n]" "" text "${text}")
        string(LENGTH "${text}" lines)
        if(lines GREATER most)
            message(FATAL_ERROR "${header}.hpp has ${lines} lines after preprocessing, at most ${most} are meant")
        endif()
    endwhile()
endif()

# What they weigh, in bytes, at most; stripped. Only where nothing is added for tests.
if(WEIGHED)
    set(weights core_only/harbour_light 790000 installed/bin/coldbrick 4300000
        installed/lib/libcoldbrick_core.a 4750000 installed/lib/libcoldbrick_sheet.a 2200000)
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

# What is switched off is not looked for: the core needs fmt and TBB only. What needs more says so.
set(alone ${CMAKE_COMMAND} -G Ninja -S ${CMAKE_CURRENT_LIST_DIR}/../.. -DCOLDBRICK_FILES=OFF -DCOLDBRICK_FONTS=OFF
    -DCOLDBRICK_DEVELOPER=OFF -DCMAKE_DISABLE_FIND_PACKAGE_PNG=ON -DCMAKE_DISABLE_FIND_PACKAGE_ZLIB=ON
    -DCMAKE_CXX_COMPILER=${COMPILER})
run(${alone} -B ${WORK}/text_alone -DCOLDBRICK_TOOL=OFF -DCOLDBRICK_SHEET=OFF -DCMAKE_DISABLE_FIND_PACKAGE_Csv=ON
    -DCMAKE_DISABLE_FIND_PACKAGE_nlohmann_json=ON)
run(${alone} -B ${WORK}/core_alone -DCOLDBRICK_TOOL=OFF -DCOLDBRICK_TEXT=OFF -DCMAKE_DISABLE_FIND_PACKAGE_PkgConfig=ON
    -DCMAKE_DISABLE_FIND_PACKAGE_Csv=ON -DCMAKE_DISABLE_FIND_PACKAGE_nlohmann_json=ON)
foreach(case "-DCOLDBRICK_TOOL=ON;need image files"
        "-DCOLDBRICK_TOOL=OFF -DCOLDBRICK_TEXT=OFF -DCOLDBRICK_SHEET=ON;fonts and sheets need words")
    list(POP_FRONT case options)
    separate_arguments(options)
    execute_process(COMMAND ${alone} -B ${WORK}/refused ${options}
        RESULT_VARIABLE status ERROR_VARIABLE output OUTPUT_QUIET)
    if(status EQUAL 0 OR NOT output MATCHES "${case}")
        message(FATAL_ERROR "${options} is not refused:\n${output}")
    endif()
    file(REMOVE_RECURSE ${WORK}/refused)
endforeach()
