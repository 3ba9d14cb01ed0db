#include <coldbrick/sheet.hpp>

#include "sheet/interpreter.hpp"

#include <coldbrick/draw.hpp>
#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <cstdint>
#include <new>

namespace coldbrick {

Image Sheet::render(PixelFormat format) const {
    const auto blank = [&] {
        try {
            return Image(size, format, ground);
        } catch (const ArgumentError& error) { // beyond the address space
            throw SheetError(fmt::format("{}: {}", place, error.what()));
        } catch (const std::bad_alloc&) {
            const std::uint64_t bytes = static_cast<std::uint64_t>(size.width) *
                                        static_cast<std::uint64_t>(size.height) *
                                        static_cast<std::uint64_t>(layout(format).bytes);
            throw SheetError(fmt::format("{}: there is not enough memory for a picture of {} x {} {} pixels, "
                                         "{} bytes",
                                         place, size.width, size.height, layout(format).name, bytes));
        }
    };
    Image image = blank();
    draw(image, drawing);
    return image;
}

Sheet read_sheet(std::string_view text, std::string_view name, const SheetReading& reading) {
    constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
    if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
    return sheet::Interpreter(reading).run(sheet::Source{name, text});
}

} // namespace coldbrick
