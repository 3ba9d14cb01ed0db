#include <coldbrick/sheet.hpp>

#include "sheet/language/program.hpp"
#include "sheet/language/read_program.hpp"
#include "sheet/running/interpreter.hpp"

#include <coldbrick/error.hpp>

#include <fmt/core.h>

#include <algorithm>
#include <cstdint>
#include <exception>
#include <new>
#include <utility>

namespace coldbrick {

namespace {

/// Calls make() and tells, with the sheet's place, if there is not enough memory for rows of it.
template <class Make>
auto with_memory(const Sheet& sheet, PixelFormat format, std::int32_t rows, const Make& make) {
    const auto bytes = static_cast<std::uint64_t>(sheet.size.width) * static_cast<std::uint64_t>(rows) *
                       static_cast<std::uint64_t>(layout(format).bytes);
    try {
        return make();
    } catch (const ArgumentError& error) { // beyond the address space
        throw SheetError(fmt::format("{}: {}", sheet.place.text(), error.what()));
    } catch (const std::bad_alloc&) {
        throw SheetError(fmt::format("{}: there is not enough memory for a picture of {} x {} {} pixels, "
                                     "{} bytes",
                                     sheet.place.text(), sheet.size.width, rows, layout(format).name, bytes));
    }
}

} // namespace

Image Sheet::blank(PixelFormat format) const {
    return with_memory(*this, format, size.height, [&] { return Image(size, format, ground); });
}

Image Sheet::render(PixelFormat format, const RenderOptions& options) const {
    Image image = blank(format);
    coldbrick::render(drawing, image, options);
    return image;
}

bool Sheet::render_bands(PixelFormat format, std::int32_t band_height, BandReceiver receiver,
                         const RenderOptions& options) const {
    // What the receiver and the caller's own functions throw is no fault of the sheet.
    std::exception_ptr thrown;
    const auto noted = [&thrown](const auto& call, const auto&... arguments) {
        try {
            call(arguments...);
        } catch (...) {
            thrown = std::current_exception();
            throw;
        }
    };
    RenderOptions noting = options;
    if (options.progress) noting.progress = [&](double share) { noted(options.progress, share); };
    const auto receive = [&](const ConstImageView& rows, std::int32_t first) {
        noted(receiver, rows, first);
    };
    try {
        return with_memory(*this, format, std::min(band_height, size.height), [&] {
            return coldbrick::render_bands(drawing, size, band_height, receive,
                                           {.format = format, .ground = ground, .rendering = noting});
        });
    } catch (...) {
        if (thrown) std::rethrow_exception(thrown);
        throw;
    }
}

namespace {

Sheet carry_out(detail::SharedState<sheet::Program> program, const SheetReading& reading) {
    try {
        Sheet result = sheet::Interpreter(*program, reading, program->loaded).run();
        result.program = std::move(program);
        return result;
    } catch (const sheet::FaultAt& fault) { // whose places end with the program
        throw SheetError(fault.what());
    }
}

} // namespace

Sheet read_sheet(std::string_view text, std::string_view name, const SheetReading& reading) {
    constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
    if (text.starts_with(byte_order_mark)) text.remove_prefix(byte_order_mark.size());
    return carry_out(sheet::read_program(text, name, reading), reading);
}

Sheet Sheet::again(const SheetReading& reading) const {
    if (!program) throw ArgumentError("a sheet that was not read cannot be carried out again");
    return carry_out(program, reading);
}

namespace {

const sheet::StatementNote& note_of(const Sheet& sheet, std::uint32_t tag) {
    if (!sheet.program || tag >= sheet.program->notes.size())
        throw ArgumentError(fmt::format("no statement of the sheet has the tag {}", tag));
    return sheet.program->notes[tag];
}

} // namespace

SheetPlace Sheet::place_of(std::uint32_t tag) const {
    return note_of(*this, tag).location.place();
}

std::string Sheet::text_of(std::uint32_t tag) const {
    const sheet::Location& location = note_of(*this, tag).location;
    const std::string_view from = location.source->text.substr(location.offset);
    const std::string_view line = from.substr(0, from.find_first_of("\r\n"));
    return std::string(line.substr(0, line.find_last_not_of(" \t") + 1));
}

} // namespace coldbrick
