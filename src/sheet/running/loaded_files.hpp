/// @file
/// The images, data and faces that a sheet asks for.
#pragma once

#include "sheet/language/syntax.hpp"
#include "sheet/running/value.hpp"

#include <coldbrick/bitmap.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/paint.hpp>
#include <coldbrick/sheet.hpp>

#include <algorithm>
#include <cstddef>
#include <map>
#include <string>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

/// What has been loaded, so that carrying a sheet out again need not load it again.
struct LoadedFiles {
    std::map<std::string, Shared<Image>> images;
    std::map<std::string, Paint> textures;
    std::map<std::string, List> data;
    std::vector<std::pair<WantedFace, Face>> faces;
};

/// Loads by the functions of a reading, within its limits.
class FileLoader {
  public:
    /// @param reading,kept outlive the loader
    FileLoader(const SheetReading& reading, LoadedFiles& kept)
        : reading_(reading), kept_(kept), image_bytes_left_(reading.most_image_bytes) {}

    // All throw SheetError at the place where the file is named.
    [[nodiscard]] Shared<Image> image(const FileName& file);
    /// An image as a pattern that all shapes share.
    [[nodiscard]] Paint texture(const FileName& file);
    /// The bright opaque pixels of an image that is resized to the size.
    [[nodiscard]] Bitmap mask(const FileName& file, Size size);
    /// @param wanted what the words amount to
    [[nodiscard]] Face face(const FaceWords& words, const FaceWords::Name& name, const WantedFace& wanted);
    /// The rows of a table.
    [[nodiscard]] List data(const FileName& file);

    /// What images and texts of the drawing may still take.
    [[nodiscard]] std::size_t image_bytes_left() const { return image_bytes_left_; }
    void take_image_bytes(std::size_t bytes) { image_bytes_left_ -= std::min(bytes, image_bytes_left_); }

  private:
    const SheetReading& reading_;
    LoadedFiles& kept_;
    std::size_t image_bytes_left_;
    int files_ = 0;
};

std::size_t bytes_of(const Image& image);

} // namespace coldbrick::sheet
