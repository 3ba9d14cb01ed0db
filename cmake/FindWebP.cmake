# Finds libwebp and its demuxer, which come without files for CMake: the targets WebP::webp and WebP::demux.
include(FindPackageHandleStandardArgs)

find_path(WebP_INCLUDE_DIR webp/decode.h)
find_library(WebP_LIBRARY webp)
find_library(WebP_DEMUX_LIBRARY webpdemux)
mark_as_advanced(WebP_INCLUDE_DIR WebP_LIBRARY WebP_DEMUX_LIBRARY)
find_package_handle_standard_args(WebP REQUIRED_VARS WebP_LIBRARY WebP_DEMUX_LIBRARY WebP_INCLUDE_DIR)

if(WebP_FOUND AND NOT TARGET WebP::webp)
    add_library(WebP::webp UNKNOWN IMPORTED)
    set_target_properties(WebP::webp PROPERTIES IMPORTED_LOCATION ${WebP_LIBRARY}
        INTERFACE_INCLUDE_DIRECTORIES ${WebP_INCLUDE_DIR})
    add_library(WebP::demux UNKNOWN IMPORTED)
    set_target_properties(WebP::demux PROPERTIES IMPORTED_LOCATION ${WebP_DEMUX_LIBRARY} INTERFACE_LINK_LIBRARIES WebP::webp)
endif()
