# Files for pkg-config: coldbrick-COMPONENT for each component, and coldbrick for all of them.

# write_pkg_config(NAME LIBRARY DESCRIPTION REQUIRES OWN_REQUIRES [OWN_LIBS]): shared libraries bring what they need
# themselves with them; static ones are linked with it.
function(write_pkg_config name library description requires own_requires)
    set(libs "")
    if(library)
        set(libs "-L\${libdir} -l${library}")
    endif()
    set(private "")
    if(BUILD_SHARED_LIBS)
        set(private "Requires.private: ${own_requires}\nLibs.private: ${ARGN}\n")
    else()
        string(APPEND requires " ${own_requires}")
        string(APPEND libs " ${ARGN}")
    endif()
    set(file ${PROJECT_BINARY_DIR}/${name}.pc)
    file(WRITE ${file} "prefix=${CMAKE_INSTALL_PREFIX}
libdir=\${prefix}/${CMAKE_INSTALL_LIBDIR}
includedir=\${prefix}/${CMAKE_INSTALL_INCLUDEDIR}

Name: ${name}
Description: ${description}
Version: ${PROJECT_VERSION}
Requires: ${requires}
${private}Cflags: -I\${includedir}
Libs: ${libs}
")
    install(FILES ${file} DESTINATION ${CMAKE_INSTALL_LIBDIR}/pkgconfig)
endfunction()

write_pkg_config(coldbrick-core coldbrick_core "${PROJECT_DESCRIPTION}" "" "fmt tbb" -Wl,--gc-sections)
set(all coldbrick-core)
if(COLDBRICK_TEXT)
    write_pkg_config(coldbrick-text coldbrick_text "Words in pictures" coldbrick-core "fmt fribidi libunibreak")
    string(APPEND all " coldbrick-text")
endif()
if(COLDBRICK_SHEET)
    write_pkg_config(coldbrick-sheet coldbrick_sheet "Drawings written as text" "coldbrick-core coldbrick-text"
        fmt -lcsv)
    string(APPEND all " coldbrick-sheet")
endif()
if(COLDBRICK_FONTS)
    write_pkg_config(coldbrick-fonts coldbrick_fonts "Faces from font files" coldbrick-text
        "fmt freetype2 harfbuzz fontconfig")
    string(APPEND all " coldbrick-fonts")
endif()
if(COLDBRICK_FILES)
    write_pkg_config(coldbrick-files coldbrick_files "Image files" coldbrick-core
        "fmt zlib libpng libjpeg libwebp libwebpdemux libgif")
    string(APPEND all " coldbrick-files")
endif()
write_pkg_config(coldbrick "" "All of Cold Brick" "${all}" "")
