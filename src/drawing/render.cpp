#include <coldbrick/render.hpp>

#include "base/parallel.hpp"
#include "base/range_checks.hpp"
#include "drawing/band_memory.hpp"
#include "drawing/item_painting.hpp"

#include <coldbrick/draw.hpp>

#include <algorithm>
#include <limits>
#include <mutex>

namespace coldbrick {

namespace {

/// About how many pixels a drawing changes in a view, and some for each item: what is less than this is drawn
/// sooner than threads are told of it.
constexpr std::int64_t worth_threads = 200'000;
constexpr std::int64_t pixels_per_item = 100;

std::int64_t work_of(const Drawing& drawing, const Box& clip) {
    std::int64_t result = 0;
    for (std::size_t i = 0; i < drawing.items().size(); ++i) {
        const Box shown = drawing.bounds_of_item(i).intersection(clip);
        if (!shown.empty()) result += shown.width * shown.height + pixels_per_item;
    }
    return result;
}

/// The rows of a clip, cut into bands of about the same height.
class Bands {
  public:
    Bands(const Box& clip, std::int64_t count)
        : clip_(clip), count_(std::clamp<std::int64_t>(count, 1, clip.height)) {}

    [[nodiscard]] std::int64_t count() const { return count_; }
    [[nodiscard]] Box band(std::int64_t i) const {
        const std::int64_t top = clip_.height * i / count_;
        return {clip_.x, clip_.y + top, clip_.width, clip_.height * (i + 1) / count_ - top};
    }

  private:
    Box clip_;
    std::int64_t count_;
};

/// Draws bands, and tells how many of them are done.
class BandDrawing {
  public:
    BandDrawing(const Drawing& drawing, const ImageView& view, const RenderOptions& options,
                const Bands& bands)
        : drawing_(drawing), view_(view), options_(options), bands_(bands) {}

    void draw(std::int64_t band) {
        if (options_.stop.stop_requested()) return;
        drawing::paint(view_.clipped(bands_.band(band)), drawing_);
        const std::lock_guard lock(mutex_);
        ++done_;
        if (options_.progress)
            options_.progress(static_cast<double>(done_) / static_cast<double>(bands_.count()));
    }

    [[nodiscard]] bool all_done() const { return done_ == bands_.count(); }

  private:
    const Drawing& drawing_;
    const ImageView& view_;
    const RenderOptions& options_;
    const Bands& bands_;
    std::mutex mutex_;
    std::int64_t done_ = 0;
};

} // namespace

bool render(const Drawing& drawing, const ImageView& view, const RenderOptions& options) {
    base::check_range("number of threads", options.threads, 0, std::numeric_limits<int>::max());
    drawing::check_modes(view.format(), drawing);
    if (view.clip().empty()) return !options.stop.stop_requested();
    const int most_threads = base::processors();
    const int threads = options.threads == 0 ? most_threads : std::min(options.threads, most_threads);
    const std::int64_t work = work_of(drawing, view.clip());
    const bool in_parallel = threads > 1 && work > worth_threads;
    const bool is_watched = options.progress || options.stop.stop_possible();
    // More bands than threads, as some take longer than others.
    const std::int64_t most = in_parallel ? std::int64_t{8} * threads : is_watched ? 64 : 1;
    const Bands bands(view.clip(), std::min(most, 1 + work / (worth_threads / 4)));
    BandDrawing drawn(drawing, view, options, bands);
    if (in_parallel)
        base::for_each_in_parallel(bands.count(), threads, [&](std::int64_t band) { drawn.draw(band); });
    else
        for (std::int64_t band = 0; band < bands.count(); ++band) drawn.draw(band);
    return drawn.all_done();
}

bool render_bands(const Drawing& drawing, Size size, std::int32_t band_height, BandReceiver receiver,
                  const BandOptions& options) {
    const auto most = std::numeric_limits<std::int32_t>::max();
    base::check_range("picture width", size.width, 1, most);
    base::check_range("picture height", size.height, 1, most);
    base::check_range("band height", band_height, 1, most);
    const std::int32_t height = std::min(band_height, size.height);
    (void)drawing::bytes_of_rows(size, options.format, Box::of(size));
    const auto memory = std::make_unique_for_overwrite<std::byte[]>(
        drawing::bytes_of_rows(size, options.format, {0, 0, size.width, height}));
    RenderOptions rendering = options.rendering;
    double before = 0; // the share of the bands that are finished
    double band_share = 0;
    const auto tell = [&](double share) {
        options.rendering.progress(std::min(1.0, before + share * band_share));
    };
    if (rendering.progress) rendering.progress = tell;
    for (std::int64_t top = 0; top < size.height; top += height) {
        const Box rows{0, top, size.width, std::min<std::int64_t>(height, size.height - top)};
        band_share = static_cast<double>(rows.height) / size.height;
        const ImageView band =
            drawing::view_of_rows(memory.get(), size, options.format, rows, options.palette);
        clear(band, options.ground);
        if (!render(drawing, band, rendering)) return false;
        receiver(ConstImageView(memory.get(), {size.width, static_cast<std::int32_t>(rows.height)},
                                options.format, band.row_stride_bytes(), options.palette),
                 static_cast<std::int32_t>(top));
        before += band_share;
    }
    return true;
}

} // namespace coldbrick
