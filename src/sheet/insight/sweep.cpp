#include <coldbrick/sweep.hpp>

#include "base/parallel.hpp"
#include "base/range_checks.hpp"
#include "base/shown_text.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/resize.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <exception>
#include <limits>
#include <mutex>
#include <system_error>
#include <thread>
#include <utility>

namespace coldbrick {

namespace {

constexpr std::size_t most_pictures = 10'000;

[[noreturn]] void refuse(std::string_view text, std::string_view why) {
    throw ArgumentError(fmt::format("{} is not of the form NAME=FIRST..LAST:STEP or NAME=VALUE,VALUE: {}",
                                    base::in_quotes(text), why));
}

std::optional<double> number_of(std::string_view text) {
    double result = 0;
    const char* const end = text.data() + text.size();
    const auto read = std::from_chars(text.data(), end, result);
    if (text.empty() || read.ec != std::errc() || read.ptr != end || !std::isfinite(result))
        return std::nullopt;
    return result;
}

/// FIRST..LAST[:STEP]
std::vector<std::string> values_of_range(std::string_view whole, std::string_view range, std::size_t dots) {
    const std::size_t colon = range.find(':', dots);
    const auto first = number_of(range.substr(0, dots));
    const auto last =
        number_of(range.substr(dots + 2, colon == std::string_view::npos ? colon : colon - dots - 2));
    const auto step =
        colon == std::string_view::npos ? std::optional(1.0) : number_of(range.substr(colon + 1));
    if (!first || !last || !step) refuse(whole, "a range consists of numbers");
    if (!(*step > 0)) refuse(whole, fmt::format("the step {} is not above 0", *step));
    const double steps = std::floor(std::abs(*last - *first) / *step + 1e-9);
    if (!(steps < static_cast<double>(most_pictures)))
        refuse(whole, fmt::format("there are more than {} values", most_pictures));
    std::vector<std::string> result;
    for (std::size_t i = 0; i <= static_cast<std::size_t>(steps); ++i) {
        const double way = static_cast<double>(i) * *step;
        // Steps such as 0.1 add up to 0.30000000000000004.
        result.push_back(fmt::format("{:.12g}", *last < *first ? *first - way : *first + way));
    }
    return result;
}

/// VALUE,VALUE,... with brackets and texts in one piece.
std::vector<std::string> single_values(std::string_view whole, std::string_view list) {
    std::vector<std::string> result(1);
    int depth = 0;
    bool in_text = false;
    for (const char c : list) {
        if (c == '"') in_text = !in_text;
        if (!in_text && (c == '(' || c == '[')) ++depth;
        if (!in_text && (c == ')' || c == ']')) --depth;
        if (c == ',' && depth == 0 && !in_text)
            result.emplace_back();
        else
            result.back() += c;
    }
    if (std::ranges::any_of(result, &std::string::empty)) refuse(whole, "a value is empty");
    if (result.size() > most_pictures)
        refuse(whole, fmt::format("there are more than {} values", most_pictures));
    return result;
}

/// Draws the pictures, several at a time: the sheet is carried out by one thread after another, and drawn
/// apart.
class Sweeper {
  public:
    Sweeper(const Sheet& sheet, const Sweep& sweep, const SheetReading& reading,
            FunctionRef<void(std::int64_t, std::int64_t)> progress)
        : sheet_(sheet), sweep_(sweep), reading_(reading), progress_(progress),
          format_(sheet.ground.alpha == 255 ? PixelFormat::rgb8 : PixelFormat::rgba8) {
        if (sweep.names.empty()) throw ArgumentError("a sweep has no name whose values change");
        std::size_t count = 1;
        for (const SweptName& name : sweep.names) {
            if (std::ranges::count(sweep.names, name.name, &SweptName::name) > 1)
                throw ArgumentError(
                    fmt::format("the name {} is swept more than once", base::in_quotes(name.name)));
            if (name.values.empty() || count > most_pictures / name.values.size())
                throw ArgumentError(fmt::format("a sweep has not 1..{} pictures", most_pictures));
            count *= name.values.size();
        }
        base::check_range("number of threads", sweep.threads, 0, std::numeric_limits<int>::max());
        pictures_.resize(count, {Image({1, 1}, format_), {}});
        if (sweep.differences) unchanged_ = sheet.render(format_);
    }

    std::vector<CaptionedPicture> run() && {
        const int most = base::processors();
        const int threads = sweep_.threads == 0 ? most : std::min(sweep_.threads, most);
        const std::size_t wanted = std::min(static_cast<std::size_t>(threads), pictures_.size());
        {
            std::vector<std::jthread> others; // which this waits for, whatever is thrown
            others.reserve(wanted);
            try {
                while (others.size() + 1 < wanted) others.emplace_back([this] { work(); });
            } catch (const std::system_error&) { // there are no more: those that there are do it
            }
            work();
        }
        if (failure_) std::rethrow_exception(failure_);
        return std::move(pictures_);
    }

  private:
    void work() {
        while (const std::optional<std::size_t> number = take()) {
            try {
                draw(*number);
            } catch (...) {
                const std::lock_guard lock(mutex_);
                if (!failure_) failure_ = std::current_exception();
            }
        }
    }

    std::optional<std::size_t> take() {
        const std::lock_guard lock(mutex_);
        if (failure_ || next_ == pictures_.size()) return std::nullopt;
        return next_++;
    }

    /// The values of a picture, the last name's changing fastest.
    [[nodiscard]] std::vector<Setting> settings_of(std::size_t number) const {
        std::vector<Setting> result;
        for (auto name = sweep_.names.rbegin(); name != sweep_.names.rend(); ++name) {
            result.push_back({name->name, name->values[number % name->values.size()]});
            number /= name->values.size();
        }
        std::ranges::reverse(result);
        return result;
    }

    void draw(std::size_t number) {
        const std::vector<Setting> own = settings_of(number);
        CaptionedPicture& result = pictures_[number];
        for (const Setting& setting : own)
            result.caption +=
                fmt::format("{}{} = {}", result.caption.empty() ? "" : ", ", setting.name, setting.value);
        const Sheet varied = carried_out(own, result.caption);
        take_memory(varied.size, result.caption);
        Image picture = varied.render(format_, {.threads = 1});
        if (unchanged_ && unchanged_->size() == picture.size())
            picture = highlighted(picture, difference(*unchanged_, picture).region);
        const Size most = sweep_.largest.value_or(picture.size());
        if (picture.width() > most.width || picture.height() > most.height)
            picture = resized(picture, most, {.fit = Fit::contain});
        result.picture = std::move(picture);
        const std::lock_guard lock(mutex_);
        if (progress_) progress_(++done_, static_cast<std::int64_t>(pictures_.size()));
    }

    /// @throws ArgumentError if the pictures take more than they may.
    void take_memory(Size size, const std::string& caption) {
        const Size most = sweep_.largest.value_or(size);
        const auto bytes = static_cast<std::size_t>(std::min(size.width, most.width)) *
                           static_cast<std::size_t>(std::min(size.height, most.height)) *
                           static_cast<std::size_t>(layout(format_).bytes);
        const std::lock_guard lock(mutex_);
        if (bytes > sweep_.most_bytes - bytes_)
            throw ArgumentError(
                fmt::format("the pictures of a sweep take more than {} bytes from {} on: make them smaller "
                            "(Sweep::largest, --tile) or raise Sweep::most_bytes",
                            sweep_.most_bytes, caption));
        bytes_ += bytes;
    }

    Sheet carried_out(const std::vector<Setting>& own, const std::string& caption) {
        SheetReading reading = reading_;
        for (const Setting& setting : own) {
            std::erase_if(reading.settings,
                          [&setting](const Setting& other) { return other.name == setting.name; });
            reading.settings.push_back(setting);
        }
        const std::lock_guard lock(mutex_);
        try {
            return sheet_.again(reading);
        } catch (const SheetError& error) {
            throw SheetError(fmt::format("with {}:\n{}", caption, error.what()));
        }
    }

    const Sheet& sheet_;
    const Sweep& sweep_;
    const SheetReading& reading_;
    FunctionRef<void(std::int64_t, std::int64_t)> progress_;
    PixelFormat format_;
    std::optional<Image> unchanged_;
    std::vector<CaptionedPicture> pictures_;
    std::mutex mutex_;
    std::size_t next_ = 0;
    std::size_t bytes_ = 0; ///< of the pictures
    std::int64_t done_ = 0;
    std::exception_ptr failure_;
};

} // namespace

SweptName swept_name(std::string_view text) {
    const std::size_t sign = text.find('=');
    if (sign == std::string_view::npos || sign == 0 || sign + 1 == text.size())
        refuse(text, "a name or value is missing");
    const std::string_view values = text.substr(sign + 1);
    const std::size_t dots = values.find("..");
    const bool is_range =
        dots != std::string_view::npos && values.find_first_of("\"(,") == std::string_view::npos;
    return {std::string(text.substr(0, sign)),
            is_range ? values_of_range(text, values, dots) : single_values(text, values)};
}

std::vector<CaptionedPicture> sweep(const Sheet& sheet, const Sweep& sweep, const SheetReading& reading,
                                    FunctionRef<void(std::int64_t, std::int64_t)> progress) {
    return Sweeper(sheet, sweep, reading, progress).run();
}

} // namespace coldbrick
