# Writes OUTPUT, a source file with the name and text of each file in SAMPLES.
set(rows "")
foreach(sample IN LISTS SAMPLES)
    get_filename_component(name ${sample} NAME)
    file(READ ${sample} text)
    string(APPEND rows "    {\"${name}\", R\"sheet(${text})sheet\"},\n")
endforeach()
file(WRITE ${OUTPUT} "// Made from the sheets in demo/ when building.
#include \"samples.hpp\"

#include <array>

namespace coldbrick::tool {

namespace {

constexpr auto table = std::to_array<Sample>({
${rows}});

} // namespace

std::span<const Sample> samples() { return table; }

} // namespace coldbrick::tool
")
