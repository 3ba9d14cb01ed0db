/// @file
/// Pixels that are stored with another gamma than that of sRGB.
#pragma once

#include <coldbrick/palette.hpp>
#include <coldbrick/pixel_format.hpp>

#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace coldbrick::files {

/// Puts channels that are powers of linear light into sRGB (W3C PNG, third edition, sections 11.3.2.3 and
/// 13.13).
class GammaCorrection {
  public:
    /// None: channels stay as they are.
    GammaCorrection() = default;

    /// @param gamma the power that the file tells, positive, such as 1 or 0.45455
    /// @param bits of a channel: 8 or 16
    GammaCorrection(double gamma, int bits);

    /// Corrects the pixels of a row; alpha stays as it is.
    void correct(std::span<std::byte> row, PixelFormat format) const;
    void correct(std::vector<Palette::Entry>& entries) const;

  private:
    std::vector<std::uint16_t> table_; ///< empty for none
};

} // namespace coldbrick::files
