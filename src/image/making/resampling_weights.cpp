#include "image/making/resampling_weights.hpp"

#include <algorithm>
#include <cmath>

namespace coldbrick::image {

namespace {

/// ResamplingWeights at places that may lie outside the source: its edge pixels stand for what is missing.
ResamplingWeights clamped(std::int64_t first, const std::vector<double>& weights, std::int32_t source) {
    const auto inside = [source](std::int64_t at) { return std::clamp<std::int64_t>(at, 0, source - 1); };
    const auto count = static_cast<std::int64_t>(weights.size());
    const std::int64_t begin = inside(first);
    ResamplingWeights result{static_cast<std::int32_t>(begin), std::vector<double>(static_cast<std::size_t>(
                                                                   inside(first + count - 1) - begin + 1))};
    for (std::int64_t i = 0; i < count; ++i)
        result.weights[static_cast<std::size_t>(inside(first + i) - begin)] +=
            weights[static_cast<std::size_t>(i)];
    return result;
}

/// The share of each source pixel in [begin, end).
ResamplingWeights covered(double begin, double end, std::int32_t source) {
    const auto first = static_cast<std::int64_t>(std::floor(begin));
    const auto last = static_cast<std::int64_t>(std::ceil(end));
    std::vector<double> weights;
    for (std::int64_t i = first; i < last; ++i) {
        const auto at = static_cast<double>(i);
        weights.push_back((std::min(at + 1, end) - std::max(at, begin)) / (end - begin));
    }
    return clamped(first, weights, source);
}

/// Keys' kernel with a = -1/2, which reproduces parabolas.
double keys(double distance) {
    const double x = std::abs(distance);
    if (x <= 1) return (1.5 * x - 2.5) * x * x + 1;
    return x < 2 ? ((-0.5 * x + 2.5) * x - 4) * x + 2 : 0;
}

ResamplingWeights interpolated(double centre, Resampling resampling, std::int32_t source) {
    const double left = std::floor(centre);
    const double share = centre - left;
    const auto first = static_cast<std::int64_t>(left);
    if (resampling == Resampling::bilinear) return clamped(first, {1 - share, share}, source);
    return clamped(first - 1, {keys(1 + share), keys(share), keys(1 - share), keys(2 - share)}, source);
}

} // namespace

std::vector<ResamplingWeights> weights_of(const ResizedPart& extent, Resampling resampling) {
    std::vector<ResamplingWeights> result;
    result.reserve(static_cast<std::size_t>(extent.target));
    const auto place = [&extent](double i) { return extent.begin + extent.length * i / extent.target; };
    for (std::int32_t i = 0; i < extent.target; ++i) {
        // The centre of the pixel; those of the source's pixels lie at 0, 1, 2, ...
        const double centre = place(i + 0.5) - 0.5;
        if (resampling == Resampling::area)
            result.push_back(covered(place(i), place(i + 1), extent.source));
        else if (resampling == Resampling::nearest)
            result.push_back(
                clamped(static_cast<std::int64_t>(std::floor(centre + 0.5)), {1}, extent.source));
        else
            result.push_back(interpolated(centre, resampling, extent.source));
    }
    return result;
}

} // namespace coldbrick::image
