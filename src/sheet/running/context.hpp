/// @file
/// What a sheet's statements and expressions are worked out in.
#pragma once

#include "sheet/language/scopes.hpp"
#include "sheet/running/placing.hpp"
#include "sheet/running/value.hpp"

#include <coldbrick/point.hpp>

#include <cstddef>
#include <cstdint>
#include <optional>
#include <utility>
#include <vector>

namespace coldbrick::sheet {

class FileLoader;

/// Thrown where a name has no value because its own statement failed, which has been told already.
struct FollowsAFault {};

/// The values of names, and what values depend on beside them.
class Context {
  public:
    [[nodiscard]] const Value& value(Slot slot) const { return values_[index_of(slot)]; }
    void set(Slot slot, Value value) { values_[index_of(slot)] = std::move(value); }

    /// Makes room for the values of the sheet.
    void keep(std::uint32_t count) { values_.resize(count); }

    /// Makes room for the values of a motif. @returns what leave() takes
    std::size_t enter(std::uint32_t count) {
        const std::size_t before = motif_;
        motif_ = values_.size();
        values_.resize(values_.size() + count);
        return before;
    }
    void leave(std::size_t before) {
        values_.resize(motif_);
        motif_ = before;
    }
    /// Counts steps. @throws SheetError at the place if there are no more.
    void take_steps(std::size_t count, const Location& location) const {
        if (count > steps_left) fail(location, "carrying the sheet out takes more steps than it may");
        steps_left -= count;
    }

    /// Asks for the sheet's size. @throws SheetError at the place if no statement has told it; FollowsAFault
    /// if the one that should have failed.
    void check_has_size(const Location& location) const {
        if (size) return;
        if (size_failed) throw FollowsAFault();
        fail(location, "the sheet's size comes first: sheet WIDTH x HEIGHT on COLOUR");
    }

    std::optional<Size> size; ///< the sheet's, as soon as it is known
    bool size_failed = false; ///< its statement has a fault
    Placing placing;
    FileLoader* files = nullptr;
    std::uint64_t seed = 0;   ///< of all random values
    std::uint64_t chance = 0; ///< decides the random values of the statement that is carried out
    mutable std::size_t steps_left = 0;

  private:
    [[nodiscard]] std::size_t index_of(Slot slot) const {
        return slot.of_motif ? motif_ + slot.index : slot.index;
    }

    std::vector<Value> values_; ///< those of the sheet, then those of motifs within each other
    std::size_t motif_ = 0;     ///< where those of the present motif begin
};

} // namespace coldbrick::sheet
