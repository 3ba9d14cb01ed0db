#include "files/codecs/exif.hpp"

#include "files/fields.hpp"

#include <coldbrick/error.hpp>

#include <algorithm>
#include <array>
#include <cstdint>

namespace coldbrick::files {

namespace {

constexpr std::uint32_t short_number = 3; // the types of fields
constexpr std::uint32_t fraction = 5;

/// The eight orientations of the standard, 1..8: how the stored pixels become upright.
constexpr std::array<Orientation, 8> orientations{
    {{false, 0}, {true, 0}, {false, 2}, {true, 2}, {true, 3}, {false, 1}, {true, 1}, {false, 3}}};

class ExifReader {
  public:
    explicit ExifReader(std::span<const std::byte> data)
        : fields_(data, "Exif data end too early"), little_(fields_.says(0, "II")) {}

    Exif read() {
        const std::size_t directory = number(4, 4);
        const std::size_t count = number(directory, 2);
        double across = 0;
        double down = 0;
        double units_per_inch = 1;
        for (std::size_t i = 0; i < count; ++i) {
            const std::size_t entry = directory + 2 + 12 * i;
            switch (number(entry, 2)) {
            case 0x112: set_orientation(entry); break;
            case 0x11A: across = quotient(entry); break;
            case 0x11B: down = quotient(entry); break;
            case 0x128: units_per_inch = number(entry + 8, 2) == 3 ? 2.54 : 1; break;
            default: break;
            }
        }
        if (across > 0 && down > 0) exif_.resolution = {across * units_per_inch, down * units_per_inch};
        return exif_;
    }

    [[nodiscard]] const Exif& so_far() const { return exif_; }

  private:
    [[nodiscard]] std::uint32_t number(std::size_t at, std::size_t bytes) const {
        return little_ ? fields_.little(at, bytes) : fields_.big(at, bytes);
    }

    void set_orientation(std::size_t entry) {
        const std::uint32_t value = number(entry + 8, 2);
        if (number(entry + 2, 2) == short_number && value >= 1 && value <= orientations.size())
            exif_.orientation = orientations[value - 1];
    }

    [[nodiscard]] double quotient(std::size_t entry) const {
        if (number(entry + 2, 2) != fraction) return 0;
        const std::size_t at = number(entry + 8, 4);
        const std::uint32_t divisor = number(at + 4, 4);
        return divisor == 0 ? 0 : static_cast<double>(number(at, 4)) / divisor;
    }

    Fields fields_;
    bool little_;
    Exif exif_{};
};

} // namespace

Exif read_exif(std::span<const std::byte> data) {
    ExifReader reader(data);
    try {
        return reader.read();
    } catch (const FileError&) { // the picture is none the worse for it
        return reader.so_far();
    }
}

} // namespace coldbrick::files
