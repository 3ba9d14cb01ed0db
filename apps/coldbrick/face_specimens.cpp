#include "face_specimens.hpp"

#include "faces.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>
#include <coldbrick/text.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <optional>

namespace coldbrick::tool {

namespace {

constexpr Colour paper(250, 248, 242);
constexpr Colour ink(28, 38, 50);
constexpr Colour dim(120, 128, 138);

constexpr std::int32_t page_width = 1200;
constexpr std::int32_t page_margin = 24;
constexpr const char* usual_sample = "Tarn Haven: 27 boats at the quay";

/// A picture that grows downwards while lines are written into it.
class Page {
  public:
    /// Writes a text under what is there. @param space above it
    void write(const std::string& text, TextStyle style, const Colour& colour, std::int32_t space) {
        style.anchor.row = TextRow::top;
        const Text placed(text, {page_margin, y_ + space}, style);
        const TextMeasure measure = placed.measure();
        y_ = static_cast<std::int32_t>(std::max(measure.lines.end_y(), measure.ink.end_y()));
        texts_.emplace_back(placed, colour);
    }

    [[nodiscard]] Image image() const {
        Image result({page_width, y_ + page_margin}, PixelFormat::rgb8, paper);
        for (const auto& [text, colour] : texts_) draw(result, text, colour);
        return result;
    }

  private:
    std::int32_t y_ = page_margin;
    std::vector<std::pair<Text, Colour>> texts_;
};

/// What a face can write of what it is asked to: otherwise its boxes would be all that is seen.
std::string writable(const Face& face, const std::string& sample) {
    return measure(sample, {.face = face}).missing.empty() ? sample : "";
}

/// All characters of a face among those that the built-in ones have.
constexpr const char* characters = "ABCDEFGHIJKLMNOPQRSTUVWXYZ abcdefghijklmnopqrstuvwxyz 0123456789\n"
                                   "!\"#$%&'()*+,-./:;<=>?@[\\]^_`{|}~ ¡¿§°±²³·×÷µ«»£¢¥€–—‘’“”…•\n"
                                   "ÀÁÂÃÄÅÆÇÈÉÊËÌÍÎÏÐÑÒÓÔÕÖØÙÚÛÜÝÞ ßàáâãäåæçèéêëìíîïðñòóôõöøùúûüýþÿ\n"
                                   "←↑→↓↔↕↖↗↘↙ △▽□◇○⊙⊕☆⚑⌂⚓✕";

} // namespace

Image specimen_of_all(std::span<const std::string> names, const std::string& sample) {
    Page page;
    for (const std::string& name : names) {
        page.write(name, {.face = Face::bitmap(), .size = 9}, dim, 12);
        std::optional<Face> face;
        try {
            face = face_named({name}, {});
        } catch (const Error& error) { // one broken font does not hide the others
            page.write(error.what(), {.size = 13, .width = page_width - 2 * page_margin}, dim, 2);
            continue;
        }
        const std::string text = writable(*face, sample.empty() ? usual_sample : sample);
        page.write(text.empty() ? "(it lacks characters of the sample)" : text,
                   {.face = text.empty() ? Face::stroke() : *face, .size = 27, .most_lines = 1},
                   text.empty() ? dim : ink, 2);
    }
    return page.image();
}

Image specimen_of(const WantedFace& wanted, const std::string& sample) {
    const Face face = face_named(wanted, {});
    Page page;
    page.write(fmt::format("{}", face.name()), {.size = 20}, dim, 0);
    constexpr double inside = page_width - 2 * page_margin;
    for (const double size : {9.0, 12.0, 14.0, 18.0, 24.0, 27.0, 36.0, 48.0}) {
        page.write(fmt::format("{}", size), {.face = Face::bitmap(), .size = 9}, dim, 10);
        page.write(sample.empty() ? usual_sample : sample,
                   {.face = face, .size = size, .width = inside, .most_lines = 1}, ink, 0);
    }
    page.write(characters, {.face = face, .size = 27, .width = inside}, ink, 24);
    return page.image();
}

} // namespace coldbrick::tool
