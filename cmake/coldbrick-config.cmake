# Defines coldbrick::core, coldbrick::files and coldbrick::sheet, as far as they are asked for (all by default), and
# coldbrick::coldbrick, which links what was asked for.
include(CMakeFindDependencyMacro)

set(coldbrick_wanted ${coldbrick_FIND_COMPONENTS})
if(NOT coldbrick_wanted) # all that were built
    foreach(coldbrick_component core files sheet)
        if(EXISTS ${CMAKE_CURRENT_LIST_DIR}/coldbrick-${coldbrick_component}.cmake)
            list(APPEND coldbrick_wanted ${coldbrick_component})
        endif()
    endforeach()
endif()
list(PREPEND coldbrick_wanted core)
list(REMOVE_DUPLICATES coldbrick_wanted)

find_dependency(fmt 9)
if(files IN_LIST coldbrick_wanted)
    list(APPEND CMAKE_MODULE_PATH ${CMAKE_CURRENT_LIST_DIR})
    foreach(coldbrick_library ZLIB PNG JPEG GIF WebP)
        find_dependency(${coldbrick_library})
    endforeach()
endif()

if(NOT TARGET coldbrick::coldbrick)
    add_library(coldbrick::coldbrick INTERFACE IMPORTED)
endif()
foreach(coldbrick_component IN LISTS coldbrick_wanted)
    include(${CMAKE_CURRENT_LIST_DIR}/coldbrick-${coldbrick_component}.cmake OPTIONAL
        RESULT_VARIABLE coldbrick_component_file)
    if(coldbrick_component_file)
        set(coldbrick_${coldbrick_component}_FOUND TRUE)
        target_link_libraries(coldbrick::coldbrick INTERFACE coldbrick::${coldbrick_component})
    elseif(coldbrick_FIND_REQUIRED_${coldbrick_component})
        set(coldbrick_FOUND FALSE)
        set(coldbrick_NOT_FOUND_MESSAGE "coldbrick has no component \"${coldbrick_component}\"")
    endif()
endforeach()
