#include "sheet_file.hpp"

#include "faces.hpp"
#include "text_file.hpp"

#include <algorithm>

namespace cb = coldbrick;

cb::PixelFormat format_for(const cb::Sheet& sheet, cb::FileType type) {
    if (sheet.ground.alpha != 255) return cb::PixelFormat::rgba8;
    const bool gray = type == cb::FileType::pgm || type == cb::FileType::pbm;
    return gray ? cb::PixelFormat::gray8 : cb::PixelFormat::rgb8;
}

namespace {

std::size_t bytes_of(const cb::Image& image) {
    return static_cast<std::size_t>(image.view().row_stride_bytes()) *
           static_cast<std::size_t>(image.height());
}

} // namespace

SheetFile::SheetFile(const SheetArguments& arguments)
    : path_(arguments.path), text_(read_text(arguments.path)) {
    for (const std::string& text : arguments.settings) {
        const std::size_t sign = text.find('=');
        settings_.push_back({text.substr(0, sign), text.substr(sign + 1)});
    }
}

cb::Sheet SheetFile::read(std::int32_t frame) const {
    const auto load_image = [this](const std::string& file, std::size_t most_bytes) {
        auto found = images_.find(file);
        if (found == images_.end() || bytes_of(found->second) > most_bytes) // which is refused once more
            found = images_
                        .insert_or_assign(
                            file, cb::load(path_.parent_path() / file, {.limits = {.bytes = most_bytes}}))
                        .first;
        return found->second;
    };
    const auto load_face = [this](const cb::WantedFace& wanted) { return face(wanted); };
    return cb::read_sheet(
        text_, path_.string(),
        {.settings = settings_, .load_image = load_image, .load_face = load_face, .frame = frame});
}

cb::Face SheetFile::face(const cb::WantedFace& wanted) const {
    const auto found = std::ranges::find(faces_, wanted, &std::pair<cb::WantedFace, cb::Face>::first);
    if (found != faces_.end()) return found->second;
    return faces_.emplace_back(wanted, face_named(wanted, path_.parent_path())).second;
}
