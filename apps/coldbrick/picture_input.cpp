#include "picture_input.hpp"

#include "image_files.hpp"

#include <coldbrick/convert.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>

#include <fmt/format.h>

#include <cstddef>
#include <string>
#include <vector>

namespace coldbrick::tool {

namespace {

/// Whether the name is that of an image file, so that what is wrong with it is told as such.
bool has_image_extension(const std::string& path) {
    try {
        (void)file_type(path);
        return true;
    } catch (const FileError&) {
        return false;
    }
}

} // namespace

PictureInput read_picture(const SheetArguments& arguments, std::int32_t frame) {
    if (!is_standard_stream(arguments.path) && has_image_extension(arguments.path))
        return {load(arguments.path), std::nullopt, {arguments.path}};
    const std::vector<std::byte> bytes = read_bytes(arguments.path, DecodeLimits{}.bytes);
    if (is_image(bytes)) return {decode(bytes), std::nullopt, {arguments.path}};
    const SheetFile file(arguments, {reinterpret_cast<const char*>(bytes.data()), bytes.size()});
    Sheet sheet = file.read(frame);
    Image image = sheet.render(format_for(sheet, FileType::png));
    return {std::move(image), std::move(sheet), file.files()};
}

Image part_of(const Image& image, const std::optional<Box>& part) {
    if (!part) return image;
    if (part->empty() || part->intersection(Box::of(image.size())) != *part)
        throw ArgumentError(
            fmt::format("the part {},{} {} x {} does not lie within the picture's {} x {} pixels", part->x,
                        part->y, part->width, part->height, image.width(), image.height()));
    return copied(image.view().cropped(*part));
}

} // namespace coldbrick::tool
