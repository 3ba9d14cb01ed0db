#include "sheet/language/scopes.hpp"

#include "base/shown_text.hpp"

#include <fmt/core.h>

#include <algorithm>

namespace coldbrick::sheet {

Slot Scopes::declare(std::string_view name, const Location& location) {
    Frame& frame = frames_.back();
    for (const Block& block : frame.blocks)
        if (const auto present = block.find(name); present != block.end())
            fail(location, fmt::format("{} is defined already, in line {}", base::in_quotes(name),
                                       present->second.location.line()));
    const Slot slot{frames_.size() > 1, frame.count++};
    frame.most = std::max(frame.most, frame.count);
    frame.blocks.back().insert({std::string(name), {slot, location, false}});
    return slot;
}

std::optional<Slot> Scopes::use(std::string_view name) {
    for (auto frame = frames_.rbegin(); frame != frames_.rend(); ++frame)
        for (auto block = frame->blocks.rbegin(); block != frame->blocks.rend(); ++block)
            if (const auto found = block->find(name); found != block->end()) {
                found->second.used = true;
                return found->second.slot;
            }
    return std::nullopt;
}

void Scopes::open_block() {
    frames_.back().blocks.emplace_back();
}

void Scopes::close_block() {
    Frame& frame = frames_.back();
    frame.count -= static_cast<std::uint32_t>(frame.blocks.back().size());
    forget(frame.blocks.back());
    frame.blocks.pop_back();
}

void Scopes::open_motif() {
    frames_.push_back(Frame{std::vector<Block>(1)});
}

std::uint32_t Scopes::close_motif() {
    const std::uint32_t size = frames_.back().most;
    forget(frames_.back().blocks.front());
    frames_.pop_back();
    return size;
}

void Scopes::forget(const Block& block) {
    for (const auto& [name, known] : block)
        if (!known.used) unused_.push_back({name, known.location});
}

std::vector<std::string_view> Scopes::known() const {
    std::vector<std::string_view> result;
    for (const Frame& frame : frames_)
        for (const Block& block : frame.blocks)
            for (const auto& [name, known] : block) result.emplace_back(name);
    return result;
}

std::vector<Scopes::Unused> Scopes::unused() const {
    std::vector<Unused> result = unused_;
    for (const auto& [name, known] : frames_.front().blocks.front())
        if (!known.used) result.push_back({name, known.location});
    return result;
}

} // namespace coldbrick::sheet
