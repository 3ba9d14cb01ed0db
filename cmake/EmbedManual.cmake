# Writes OUTPUT, a source file with the text of MANUAL.
file(READ ${MANUAL} text)
file(WRITE ${OUTPUT} "// Made from the manual of sheets when building.
#include \"sheet_manual.hpp\"

namespace coldbrick::tool {

std::string_view sheet_manual() {
    return R\"manual(${text})manual\";
}

} // namespace coldbrick::tool
")
