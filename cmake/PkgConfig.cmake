# Files for pkg-config: coldbrick-COMPONENT for each component, and coldbrick for all of them.

# write_pkg_config(NAME LIBRARY DESCRIPTION REQUIRES REQUIRES_PRIVATE)
function(write_pkg_config name library description requires requires_private)
    set(file ${PROJECT_BINARY_DIR}/${name}.pc)
    set(libs "")
    if(library)
        set(libs "-L\${libdir} -l${library}")
    endif()
    file(WRITE ${file} "prefix=${CMAKE_INSTALL_PREFIX}
libdir=\${prefix}/${CMAKE_INSTALL_LIBDIR}
includedir=\${prefix}/${CMAKE_INSTALL_INCLUDEDIR}

Name: ${name}
Description: ${description}
Version: ${PROJECT_VERSION}
Requires: ${requires}
Requires.private: ${requires_private}
Cflags: -I\${includedir}
Libs: ${libs}
")
    install(FILES ${file} DESTINATION ${CMAKE_INSTALL_LIBDIR}/pkgconfig)
endfunction()

write_pkg_config(coldbrick-core coldbrick_core "${PROJECT_DESCRIPTION}" "" fmt)
write_pkg_config(coldbrick-text coldbrick_text "Words in pictures" coldbrick-core "fmt fribidi libunibreak")
write_pkg_config(coldbrick-sheet coldbrick_sheet "Drawings written as text" "coldbrick-core coldbrick-text" fmt)
set(all "coldbrick-core coldbrick-text coldbrick-sheet")
if(COLDBRICK_FONTS)
    write_pkg_config(coldbrick-fonts coldbrick_fonts "Faces from font files" coldbrick-text "fmt freetype2 harfbuzz fontconfig")
    string(APPEND all " coldbrick-fonts")
endif()
if(COLDBRICK_FILES)
    write_pkg_config(coldbrick-files coldbrick_files "Image files" coldbrick-core "fmt zlib libpng libjpeg libwebp libwebpdemux libgif")
    string(APPEND all " coldbrick-files")
endif()
write_pkg_config(coldbrick "" "All of Cold Brick" "${all}" "")
