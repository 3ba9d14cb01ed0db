#include <coldbrick/path_text.hpp>

#include "base/shown_text.hpp"
#include "geometry/path_positions.hpp"

#include <coldbrick/error.hpp>

#include <fmt/format.h>

#include <charconv>
#include <cmath>
#include <iterator>
#include <optional>
#include <string_view>
#include <utility>

namespace coldbrick {

namespace {

constexpr char lower(char c) {
    return c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
}

/// Reads numbers and letters one after the other.
class PathReader {
  public:
    explicit PathReader(std::string_view text) : text_(text) {}

    [[nodiscard]] bool at_end() {
        skip_blanks();
        return at_ == text_.size();
    }

    /// The next character if it is a letter, which may begin a command.
    [[nodiscard]] std::optional<char> take_letter() {
        if (at_end()) return std::nullopt;
        const char c = lower(text_[at_]);
        if (c < 'a' || c > 'z') return std::nullopt;
        return text_[at_++];
    }

    /// True if a number comes next, perhaps after a comma.
    [[nodiscard]] bool next_is_number() {
        const std::size_t before = at_;
        skip_comma();
        const bool result = at_ < text_.size() && (is_digit(text_[at_]) || text_[at_] == '.' ||
                                                   text_[at_] == '-' || text_[at_] == '+');
        at_ = before;
        return result;
    }

    double number() {
        skip_comma();
        const std::size_t begin = at_;
        if (at_ < text_.size() && text_[at_] == '+') ++at_; // which from_chars does not take
        const bool has_sign_after = at_ > begin && at_ < text_.size() && text_[at_] == '-';
        double value = 0;
        const char* const first = text_.data() + at_;
        const auto [end, error] = std::from_chars(first, text_.data() + text_.size(), value);
        const bool is_word = at_ < text_.size() && lower(text_[at_]) >= 'a'; // inf and nan
        if (error == std::errc::result_out_of_range) fail_at(begin, "a number that is not too large");
        if (error != std::errc() || has_sign_after || is_word || !std::isfinite(value))
            fail_at(begin, "a number");
        at_ += static_cast<std::size_t>(end - first);
        return value;
    }

    bool flag() {
        skip_comma();
        if (at_ == text_.size() || (text_[at_] != '0' && text_[at_] != '1')) fail_at(at_, "0 or 1");
        return text_[at_++] == '1';
    }

    [[noreturn]] void fail_here(std::string_view expected) {
        skip_blanks();
        fail_at(at_, expected);
    }

    /// Undoes take_letter().
    void put_back() { --at_; }

  private:
    static constexpr bool is_digit(char c) { return c >= '0' && c <= '9'; }
    static constexpr bool is_blank(char c) { return c == ' ' || (c >= '\t' && c <= '\r' && c != '\v'); }

    void skip_blanks() {
        while (at_ < text_.size() && is_blank(text_[at_])) ++at_;
    }

    void skip_comma() {
        skip_blanks();
        if (at_ < text_.size() && text_[at_] == ',') ++at_;
        skip_blanks();
    }

    [[noreturn]] void fail_at(std::size_t place, std::string_view expected) const {
        const std::string_view rest = text_.substr(place);
        const std::string found =
            rest.empty() ? "the text ends" : fmt::format("found {}", base::in_quotes(rest.substr(0, 12)));
        throw ArgumentError(fmt::format("path text, place {}: expected {}, {}", place + 1, expected, found));
    }

    std::string_view text_;
    std::size_t at_ = 0;
};

/// Adds what the commands of a text say to a path.
class CommandReader {
  public:
    explicit CommandReader(std::string_view text) : reader_(text) {}

    Path read() {
        while (!reader_.at_end()) {
            const std::optional<char> letter = reader_.take_letter();
            if (!letter) reader_.fail_here(path_.empty() ? "M or m" : "a command");
            constexpr std::string_view commands = "mlhvcsqtaz";
            const bool known = commands.find(lower(*letter)) != std::string_view::npos;
            if (!known || (path_.empty() && lower(*letter) != 'm')) {
                reader_.put_back();
                reader_.fail_here(path_.empty() ? "M or m" : "one of M L H V C S Q T A Z or a small letter");
            }
            commands_with(*letter);
        }
        return std::move(path_);
    }

  private:
    /// A command once, and again as long as numbers follow.
    void commands_with(char letter) {
        char kind = lower(letter);
        relative_ = letter == kind;
        if (kind == 'z') {
            path_.close();
            at_ = start_;
            last_cubic_ = last_control_ = std::nullopt;
            return;
        }
        do {
            const std::optional<Position> cubic = std::exchange(last_cubic_, std::nullopt);
            const std::optional<Position> quadratic = std::exchange(last_control_, std::nullopt);
            command(kind, cubic, quadratic);
            if (kind == 'm') kind = 'l';
        } while (reader_.next_is_number());
    }

    /// @param cubic,quadratic the control positions of the curve before, if it is of that kind
    void command(char kind, std::optional<Position> cubic, std::optional<Position> quadratic) {
        switch (kind) {
        case 'm':
            at_ = start_ = position();
            path_.move_to(at_);
            return;
        case 'l': return line(position());
        case 'h': return line({reader_.number() + (relative_ ? at_.x : 0), at_.y});
        case 'v': return line({at_.x, reader_.number() + (relative_ ? at_.y : 0)});
        case 'c': {
            const Position first = position();
            return curve(first);
        }
        case 's': return curve(cubic ? mirrored(*cubic) : at_);
        case 'q': return quadratic_curve(position());
        case 't': return quadratic_curve(quadratic ? mirrored(*quadratic) : at_);
        default: return arc();
        }
    }

    Position position() {
        const double x = reader_.number();
        const double y = reader_.number();
        return relative_ ? Position{at_.x + x, at_.y + y} : Position{x, y};
    }

    [[nodiscard]] Position mirrored(Position control) const {
        return {2 * at_.x - control.x, 2 * at_.y - control.y};
    }

    void line(Position to) {
        path_.line_to(to);
        at_ = to;
    }

    void curve(Position first) {
        const Position second = position();
        const Position to = position();
        path_.cubic_to(first, second, to);
        last_cubic_ = second;
        at_ = to;
    }

    void quadratic_curve(Position control) {
        const Position to = position();
        path_.quadratic_to(control, to);
        last_control_ = control;
        at_ = to;
    }

    void arc() {
        const double across = reader_.number();
        const double down = reader_.number();
        const double turn = reader_.number();
        const bool large = reader_.flag();
        const bool clockwise = reader_.flag();
        const Position to = position();
        path_.arc_to({across, down}, degrees(turn), {large, clockwise}, to);
        at_ = to;
    }

    PathReader reader_;
    Path path_;
    bool relative_ = false;
    Position at_;
    Position start_;
    std::optional<Position> last_cubic_;
    std::optional<Position> last_control_;
};

/// An ellipse's axes from two conjugate half diameters: Rytz's construction in numbers, by the singular
/// values of the matrix of both (J. Demmel, "Applied Numerical Linear Algebra", 1997, section 5.4).
struct Axes {
    double across;
    double down;
    double turn; ///< in degrees

    static Axes of(Position p, Position q) {
        const double sum = std::hypot(p.x + q.y, p.y - q.x);
        const double difference = std::hypot(p.x - q.y, p.y + q.x);
        const double turn = (std::atan2(p.y - q.x, p.x + q.y) + std::atan2(p.y + q.x, p.x - q.y)) / 2;
        return {(sum + difference) / 2, std::abs(sum - difference) / 2, radians(turn).in_degrees()};
    }
};

/// Writes the pieces of a path.
struct PieceWriter {
    std::string& text;

    void operator()(const PathLine& line) const { write("L", line.to); }
    void operator()(const PathQuadratic& curve) const {
        write("Q", curve.control);
        write("", curve.to);
    }
    void operator()(const PathCubic& curve) const {
        write("C", curve.first_control);
        write("", curve.second_control);
        write("", curve.to);
    }

    /// In two halves if it is so long that its ends do not tell it apart from a short one.
    void operator()(const PathArc& arc) const {
        const bool falls = arc.across.x * arc.down.y - arc.across.y * arc.down.x >= 0;
        const bool clockwise = (arc.sweep >= Angle()) == falls;
        constexpr double longest = 350;
        if (std::abs(arc.sweep.in_degrees()) <= longest)
            return write_arc(arc, std::abs(arc.sweep.in_degrees()) > 180, clockwise, arc.to);
        write_arc(arc, false, clockwise, geometry::point_on(arc, arc.start + arc.sweep / 2));
        write_arc(arc, false, clockwise, arc.to);
    }

  private:
    void write(std::string_view command, Position to) const {
        fmt::format_to(std::back_inserter(text), " {}{}{} {}", command, command.empty() ? "" : " ", to.x,
                       to.y);
    }

    void write_arc(const PathArc& arc, bool large, bool clockwise, Position to) const {
        const Axes axes = Axes::of(arc.across, arc.down);
        fmt::format_to(std::back_inserter(text), " A {} {} {} {} {} {} {}", axes.across, axes.down, axes.turn,
                       large ? 1 : 0, clockwise ? 1 : 0, to.x, to.y);
    }
};

} // namespace

Path read_path(std::string_view text) {
    return CommandReader(text).read();
}

std::string path_text(const Path& path) {
    std::string text;
    for (const Contour& contour : path.contours()) {
        fmt::format_to(std::back_inserter(text), "{}M {} {}", text.empty() ? "" : " ", contour.start.x,
                       contour.start.y);
        for (const PathPiece& piece : contour.pieces) std::visit(PieceWriter{text}, piece);
        if (contour.closed) text += " Z";
    }
    return text;
}

} // namespace coldbrick
