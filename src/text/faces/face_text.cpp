#include "text/faces/face_text.hpp"

#include "base/contract.hpp"
#include "text/layout/utf8.hpp"

namespace coldbrick::text {

std::vector<std::string_view> words_of(std::string_view line) {
    std::vector<std::string_view> result;
    while (true) {
        const std::size_t begin = line.find_first_not_of(' ');
        if (begin == std::string_view::npos) return result;
        const std::size_t end = std::min(line.find(' ', begin), line.size());
        result.push_back(line.substr(begin, end - begin));
        line.remove_prefix(end);
    }
}

std::vector<std::string_view> lines_of(std::string_view text) {
    std::vector<std::string_view> result;
    while (!text.empty()) {
        const std::size_t end = std::min(text.find('\n'), text.size());
        if (!text.starts_with("//")) result.push_back(text.substr(0, end));
        text.remove_prefix(std::min(end + 1, text.size()));
    }
    return result;
}

std::optional<Composition> composition_of(std::span<const std::string_view> words) {
    if (words.size() != 4 || words[1] != "=") return std::nullopt;
    return Composition{words[0], words[2], words[3]};
}

std::uint32_t glyph_number(std::string_view name) {
    if (name == "space") return U' ';
    if (name == "missing") return missing_glyph;
    const Decoded decoded = decode_utf8(name);
    COLDBRICK_ASSERT(decoded.characters.size() == 1 && decoded.replaced == 0);
    return decoded.characters.front();
}

} // namespace coldbrick::text
