#include <coldbrick/resize.hpp>

#include "geometry/shape_checks.hpp"
#include "image/making/resampling_weights.hpp"
#include "image/making/size_checks.hpp"
#include "image/making/uninitialised_image.hpp"
#include "image/reading/pixel_reader.hpp"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <vector>

namespace coldbrick {

namespace {

/// Red, green and blue multiplied by alpha, and alpha.
using Weighed = std::array<double, 4>;

Weighed weighed(const RealColour& colour) {
    return {colour.red * colour.alpha, colour.green * colour.alpha, colour.blue * colour.alpha, colour.alpha};
}

RealColour colour_of(const Weighed& sum) {
    if (sum[3] <= 0) return {0, 0, 0, 0};
    return {sum[0] / sum[3], sum[1] / sum[3], sum[2] / sum[3], sum[3]};
}

void add(Weighed& sum, const Weighed& colour, double weight) {
    for (std::size_t i = 0; i < sum.size(); ++i) sum[i] += weight * colour[i];
}

/// Source rows resized along x, of which those that the current row of the result needs are kept.
class ResizedRows {
  public:
    ResizedRows(const ConstImageView& image, const std::vector<image::ResamplingWeights>& columns)
        : reader_(image), columns_(columns), colours_(static_cast<std::size_t>(image.width())),
          source_(colours_.size()) {}

    /// Rows are asked for with growing y, from `first` on.
    const std::vector<Weighed>& row(std::int32_t y, std::int32_t first) {
        if (first > first_) {
            const auto gone = std::min<std::size_t>(static_cast<std::size_t>(first - first_), kept_.size());
            kept_.erase(kept_.begin(), kept_.begin() + static_cast<std::ptrdiff_t>(gone));
            first_ = first;
        }
        const auto index = static_cast<std::size_t>(y - first_);
        while (kept_.size() <= index)
            kept_.push_back(resized(first_ + static_cast<std::int32_t>(kept_.size())));
        return kept_[index];
    }

  private:
    std::vector<Weighed> resized(std::int32_t y) {
        reader_.row(0, y, colours_);
        std::ranges::transform(colours_, source_.begin(), weighed);
        std::vector<Weighed> result(columns_.size());
        for (std::size_t i = 0; i < result.size(); ++i) {
            const Weighed* at = &source_[static_cast<std::size_t>(columns_[i].first)];
            for (const double weight : columns_[i].weights) add(result[i], *at++, weight);
        }
        return result;
    }

    image::PixelReader<RealColour> reader_;
    const std::vector<image::ResamplingWeights>& columns_;
    std::vector<RealColour> colours_; ///< of the source row last read
    std::vector<Weighed> source_;
    std::vector<std::vector<Weighed>> kept_;
    std::int32_t first_ = 0;
};

/// A side in proportion, at least 1.
std::int32_t in_proportion(std::int64_t side, std::int64_t target, std::int64_t whole) {
    const std::int64_t result = (2 * side * target + whole) / (2 * whole);
    return static_cast<std::int32_t>(std::clamp<std::int64_t>(result, 1, base::last_coordinate));
}

/// What of the image is used, and in which proportions.
struct Frame {
    image::ResizedPart across;
    image::ResizedPart down;
};
Frame frame_of(Size image, Size size, Fit fit) {
    Frame frame{{0, static_cast<double>(image.width), image.width, size.width},
                {0, static_cast<double>(image.height), image.height, size.height}};
    if (fit != Fit::cover) return frame;
    const double scale = std::min(frame.across.length / size.width, frame.down.length / size.height);
    const auto cut = [scale](image::ResizedPart& extent) {
        const double length = scale * extent.target;
        extent.begin = (extent.length - length) / 2;
        extent.length = length;
    };
    cut(frame.across);
    cut(frame.down);
    return frame;
}

} // namespace

Size fitted(Size image, Size size, Fit fit) {
    image::check_size(image);
    image::check_size(size);
    base::check_choice("fit", fit, Fit::cover);
    if (fit != Fit::contain) return size;
    const bool wider = std::int64_t{image.width} * size.height > std::int64_t{image.height} * size.width;
    if (wider) return {size.width, in_proportion(image.height, size.width, image.width)};
    return {in_proportion(image.width, size.height, image.height), size.height};
}

Image resized(const ConstImageView& image, Size size, const Resizing& resizing) {
    image::check_palette(image);
    base::check_choice("resampling", resizing.resampling, Resampling::bicubic);
    size = fitted(image.size(), size, resizing.fit);
    Image result = image::uninitialised(size, image.format(), image.palette(), resizing.most_bytes);
    const Frame frame = frame_of(image.size(), size, resizing.fit);
    const std::vector<image::ResamplingWeights> columns =
        image::weights_of(frame.across, resizing.resampling);
    const std::vector<image::ResamplingWeights> lines = image::weights_of(frame.down, resizing.resampling);
    ResizedRows rows(image, columns);
    const ImageView view = result;
    const paint::Codec codec{&layout(view.format()), view.palette()};
    std::vector<Weighed> sums(columns.size());
    for (std::int32_t y = 0; y < size.height; ++y) {
        const image::ResamplingWeights& weights = lines[static_cast<std::size_t>(y)];
        std::ranges::fill(sums, Weighed{});
        for (std::size_t i = 0; i < weights.weights.size(); ++i) {
            const auto& row = rows.row(weights.first + static_cast<std::int32_t>(i), weights.first);
            for (std::size_t x = 0; x < sums.size(); ++x) add(sums[x], row[x], weights.weights[i]);
        }
        std::byte* pixel = view.row(y).data();
        for (const Weighed& sum : sums) {
            codec.encode(colour_of(sum), pixel);
            pixel += view.pixel_stride_bytes();
        }
    }
    return result;
}

} // namespace coldbrick
