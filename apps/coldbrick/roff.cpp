#include "roff.hpp"

namespace coldbrick::tool {

std::string escaped_for_man(std::string_view text) {
    std::string result;
    for (const char c : text) {
        if (c == '\\')
            result += "\\e";
        else if (c == '-')
            result += "\\-";
        else if ((c == '.' || c == '\'') && (result.empty() || result.back() == '\n'))
            result.append("\\&").push_back(c);
        else
            result += c;
    }
    return result;
}

} // namespace coldbrick::tool
