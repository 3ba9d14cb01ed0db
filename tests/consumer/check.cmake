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
set(components_everything "") # all there are
foreach(main IN ITEMS core_only everything)
    run(${CMAKE_COMMAND} -G Ninja -S ${CMAKE_CURRENT_LIST_DIR} -B ${WORK}/${main} -DMAIN=${main}.cpp
        -DWANTED=${components_${main}}
        -DCMAKE_PREFIX_PATH=${WORK}/installed -DCMAKE_CXX_FLAGS=${FLAGS})
    run(${CMAKE_COMMAND} --build ${WORK}/${main})
    run(${WORK}/${main}/harbour_light)
endforeach()
run(${WORK}/installed/bin/coldbrick --version)

# A component that does not exist is refused by its name.
execute_process(COMMAND ${CMAKE_COMMAND} -G Ninja -S ${CMAKE_CURRENT_LIST_DIR} -B ${WORK}/wrong -DMAIN=core_only.cpp
    -DWANTED=sonar -DCMAKE_PREFIX_PATH=${WORK}/installed RESULT_VARIABLE status ERROR_VARIABLE output OUTPUT_QUIET)
if(status EQUAL 0 OR NOT output MATCHES "coldbrick has no component \"sonar\"")
    message(FATAL_ERROR "an unknown component is not refused:\n${output}")
endif()
