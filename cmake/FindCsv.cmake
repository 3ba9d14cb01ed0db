# Finds libcsv, which comes without files for CMake: the target Csv::csv.
include(FindPackageHandleStandardArgs)

find_path(Csv_INCLUDE_DIR csv.h)
find_library(Csv_LIBRARY csv)
mark_as_advanced(Csv_INCLUDE_DIR Csv_LIBRARY)
find_package_handle_standard_args(Csv REQUIRED_VARS Csv_LIBRARY Csv_INCLUDE_DIR)

if(Csv_FOUND AND NOT TARGET Csv::csv)
    add_library(Csv::csv UNKNOWN IMPORTED)
    set_target_properties(Csv::csv PROPERTIES IMPORTED_LOCATION ${Csv_LIBRARY} INTERFACE_INCLUDE_DIRECTORIES ${Csv_INCLUDE_DIR})
endif()
