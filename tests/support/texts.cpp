#include "support/texts.hpp"

#include <algorithm>

namespace coldbrick::test {

const std::vector<Face>& some_faces() {
    static const std::vector<Face> faces{Face::stroke(), Face::bitmap(), load_face(sans_font),
                                         load_face(postscript_font),
                                         load_face(variable_font, {.axes = {{"wght", 700}}})};
    return faces;
}

rc::Gen<std::string> any_text() {
    const auto piece = rc::gen::element<std::string>(
        "a", "Quay", " ", "  ", "7.5", "fi", "AV", "\n", "\r\n", "e\xCC\x81", "\xC3\x85",
        "\xD8\xB3\xD9\x84\xD8\xA7\xD9\x85", "\xD7\xA9\xD7\x9C\xD7\x95\xD7\x9D", "(", ")", "-", "\xE2\x80\xA6",
        "\xE6\xBC\xA2\xE5\xAD\x97", "\xF0\x9F\x9A\xA2", "\xE2\x80\x8F", "\xFF", "\xE2\x82", "\t", "\x01", "j",
        "Wg");
    return rc::gen::map(rc::gen::scale(0.2, rc::gen::container<std::vector<std::string>>(piece)),
                        [](const std::vector<std::string>& pieces) {
                            std::string result;
                            for (const std::string& one : pieces) result += one;
                            return result;
                        });
}

rc::Gen<TextStyle> any_text_style(double largest) {
    return rc::gen::exec([largest] {
        TextStyle style;
        style.face = *rc::gen::elementOf(some_faces());
        if (*rc::gen::arbitrary<bool>()) style.fallbacks = {some_faces()[2]};
        style.size = *rc::gen::inRange(4, static_cast<int>(4 * largest)) / 4.0;
        style.size_of = *rc::gen::element(SizeOf::em, SizeOf::em, SizeOf::capitals);
        style.anchor = {*rc::gen::element(TextColumn::left, TextColumn::centre, TextColumn::right),
                        *rc::gen::element(TextRow::baseline, TextRow::top, TextRow::cap_height,
                                          TextRow::middle, TextRow::bottom)};
        if (*rc::gen::arbitrary<bool>())
            style.alignment = *rc::gen::element(TextColumn::left, TextColumn::right);
        style.letter_spacing = *rc::gen::element(0.0, 0.0, 1.5, -1.0);
        style.line_spacing = *rc::gen::element(1.0, 1.0, 0.5, 1.7);
        if (*rc::gen::inRange(0, 3) == 0) style.width = *rc::gen::inRange(1, 200);
        if (*rc::gen::inRange(0, 4) == 0) style.most_lines = *rc::gen::inRange(1, 4);
        if (*rc::gen::inRange(0, 5) == 0)
            style.fit = Size{*rc::gen::inRange(1, 200), *rc::gen::inRange(1, 100)};
        if (*rc::gen::inRange(0, 4) == 0) style.turn = degrees(*rc::gen::inRange(-20, 20) * 22.5);
        style.direction = *rc::gen::element(Direction::by_text, Direction::by_text, Direction::right_to_left);
        if (*rc::gen::arbitrary<bool>()) style.stroke_width = *rc::gen::element(0.5, 1.0, 3.0);
        style.edges = *rc::gen::element(Edges::smooth, Edges::crisp);
        return style;
    });
}

} // namespace coldbrick::test
