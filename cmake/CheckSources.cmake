# The target check_sources: clang-format over all sources, and clang-tidy over all that the library, the tool and the
# examples consist of. Sources are compiled in batches here (COLDBRICK_UNITY), and a target is looked at again only when
# it was compiled again.
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

# add_tidy(TARGET): a command for each batch of the target's sources, or for each source.
function(add_tidy target)
    get_target_property(sources ${target} SOURCES)
    list(FILTER sources INCLUDE REGEX "\\.cpp$")
    if(NOT sources)
        return()
    endif()
    get_target_property(batch ${target} UNITY_BUILD_BATCH_SIZE)
    get_target_property(in_batches ${target} UNITY_BUILD)
    get_target_property(folder ${target} BINARY_DIR)
    get_target_property(source_folder ${target} SOURCE_DIR)
    set(looked_at "")
    set(count 0) # of sources in batches; those with options of their own are compiled apart
    foreach(source IN LISTS sources)
        cmake_path(ABSOLUTE_PATH source BASE_DIRECTORY ${source_folder})
        list(APPEND seen ${source})
        set(apart FALSE)
        foreach(property COMPILE_OPTIONS COMPILE_DEFINITIONS)
            get_source_file_property(own ${source} DIRECTORY ${source_folder} ${property})
            if(own)
                set(apart TRUE)
            endif()
        endforeach()
        if(in_batches AND NOT apart)
            math(EXPR count "${count} + 1")
        else()
            list(APPEND looked_at ${source})
        endif()
    endforeach()
    if(count GREATER 0)
        math(EXPR last "(${count} - 1) / ${batch}")
        foreach(number RANGE ${last})
            list(APPEND looked_at ${folder}/CMakeFiles/${target}.dir/Unity/unity_${number}_cxx.cxx)
        endforeach()
    endif()
    foreach(source IN LISTS looked_at)
        cmake_path(GET source STEM stem)
        set(stamp ${stamps}/${target}_${stem})
        add_custom_command(OUTPUT ${stamp}
            COMMAND ${CLANG_TIDY} -p ${PROJECT_BINARY_DIR} --quiet --checks=-bugprone-suspicious-include ${source}
            COMMAND ${CMAKE_COMMAND} -E touch ${stamp}
            DEPENDS $<TARGET_OBJECTS:${target}> ${PROJECT_SOURCE_DIR}/.clang-tidy
            COMMENT "Checking ${target}, ${stem}" VERBATIM)
        list(APPEND checked ${stamp})
    endforeach()
    set(checked ${checked} PARENT_SCOPE)
    set(seen ${seen} PARENT_SCOPE)
endfunction()

foreach(folder src apps/coldbrick examples)
    get_property(targets DIRECTORY ${PROJECT_SOURCE_DIR}/${folder} PROPERTY BUILDSYSTEM_TARGETS)
    foreach(target IN LISTS targets)
        get_target_property(type ${target} TYPE)
        if(NOT type MATCHES "INTERFACE_LIBRARY|UTILITY")
            add_tidy(${target})
        endif()
    endforeach()
endforeach()
# No source is left out.
file(GLOB_RECURSE all_sources CONFIGURE_DEPENDS src/*.cpp apps/*.cpp examples/*.cpp)
list(REMOVE_ITEM all_sources ${seen})
if(all_sources)
    message(FATAL_ERROR "no target has these sources, so that nothing checks them: ${all_sources}")
endif()
add_custom_target(check_sources DEPENDS ${checked})
