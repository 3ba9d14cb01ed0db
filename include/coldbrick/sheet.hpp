/// @file
/// Drawings written as text.
#pragma once

#include <coldbrick/colour.hpp>
#include <coldbrick/drawing.hpp>
#include <coldbrick/frame_rate.hpp>
#include <coldbrick/image.hpp>
#include <coldbrick/pixel_format.hpp>
#include <coldbrick/point.hpp>

#include <cstddef>     // limits of bytes
#include <cstdint>     // numbers of frames
#include <span>        // settings
#include <string>      // settings own their text
#include <string_view> // a sheet's text
#include <type_traits> // what can load images

namespace [[gnu::visibility("default")]] coldbrick {

/// A value that replaces the one that a sheet's `let` gives to a name.
struct Setting {
    std::string name;
    std::string value; ///< an expression in the sheet's own notation: `20`, `(3, 4)`, `gold`
};

/// A drawing with the size and ground that its text gives it. docs/sheets.md describes the notation.
struct Sheet {
    Size size;
    Colour ground;
    Drawing drawing;
    std::int32_t frames = 1; ///< how many the sheet has; which one this is, its reader chose
    FrameRate rate = {};
    std::string place = {}; ///< file:line:column of the statement that gives the size, for messages

    /// The sheet drawn: an image of its size, cleared to its ground, with the drawing on it.
    /// @throws SheetError if there is not enough memory for the image, else as draw().
    [[nodiscard]] Image render(PixelFormat format = PixelFormat::rgba8) const;
};

/// Gives a sheet the images that it names: holds any function `Image load(const std::string& file,
/// std::size_t most_bytes)`, where most_bytes is what the image's pixels may take, which throws Error if
/// there is no such image.
class ImageLoader {
  public:
    /// None: there are no images.
    ImageLoader() = default;

    template <class Load>
    requires std::is_invocable_r_v<Image, const Load&, const std::string&, std::size_t>
    ImageLoader(const Load& load) : function_(new Held<Load>(load)) {}

    ImageLoader(ImageLoader&& other) noexcept : function_(other.function_) { other.function_ = nullptr; }
    ImageLoader& operator=(ImageLoader&&) = delete;
    ~ImageLoader() { delete function_; }

    [[nodiscard]] explicit operator bool() const { return function_ != nullptr; }
    [[nodiscard]] Image operator()(const std::string& file, std::size_t most_bytes) const {
        return function_->load(file, most_bytes);
    }

  private:
    struct Function {
        virtual ~Function() = default;
        [[nodiscard]] virtual Image load(const std::string& file, std::size_t most_bytes) const = 0;
    };

    template <class Load>
    struct Held : Function {
        explicit Held(const Load& load) : load_(load) {}
        [[nodiscard]] Image load(const std::string& file, std::size_t most_bytes) const override {
            return load_(file, most_bytes);
        }
        Load load_;
    };

    Function* function_ = nullptr;
};

/// Understands and carries out a sheet's text.
/// @param text the sheet, in UTF-8.
/// @param name what error messages call it: its file name.
/// @param settings replacements of the sheet's own values.
/// @param load_image what opens the files of `image` statements, such as a call of load(); without it, they
/// are faults.
/// @param most_image_bytes what the pixels of all its images may take together; 1 GiB unless told.
/// @param frame which of its frames, from 0 on; those of a sheet differ by what it makes of `frame` and
/// `time`.
/// @throws SheetError at the first fault, with file:line:column, the line and a caret under the fault.
///
/// Time and memory follow the statements: about 300 bytes each.
[[nodiscard]] Sheet read_sheet(std::string_view text, std::string_view name,
                               std::span<const Setting> settings = {}, const ImageLoader& load_image = {},
                               std::size_t most_image_bytes = std::size_t{1} << 30, std::int32_t frame = 0);

} // namespace coldbrick
