/// @file
/// The names that a sheet gives, as far as it has been read.
#pragma once

#include "sheet/language/source.hpp"

#include <cstddef>
#include <cstdint>
#include <map>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace coldbrick::sheet {

/// Where a name's value is kept while a sheet is carried out: among those of the sheet, or among those of the
/// motif that is being placed.
struct Slot {
    bool of_motif = false;
    std::uint32_t index = 0;

    friend bool operator==(const Slot&, const Slot&) = default;
};

/// Names belong to the block that gives them, and to the blocks within it from there on.
class Scopes {
  public:
    /// The value's slot. @throws SheetError if the name is given already where the new one can be seen; those
    /// of a motif may hide those of the sheet.
    Slot declare(std::string_view name, const Location& location);

    /// The slot of a name, which is used thereby.
    std::optional<Slot> use(std::string_view name);

    void open_block();
    void close_block();

    /// Between the two, names are those of a motif, and of the sheet around it.
    void open_motif();
    /// @returns how many values the motif keeps
    std::uint32_t close_motif();

    /// How many values the sheet keeps.
    [[nodiscard]] std::uint32_t size() const { return frames_.front().most; }

    /// All names that can be seen.
    [[nodiscard]] std::vector<std::string_view> known() const;

    /// Those that went out of sight, or would now, without having been used.
    struct Unused {
        std::string name;
        Location location;
    };
    [[nodiscard]] std::vector<Unused> unused() const;

    /// True outside of all blocks and motifs.
    [[nodiscard]] bool at_top() const { return frames_.size() == 1 && frames_.front().blocks.size() == 1; }

  private:
    struct Known {
        Slot slot;
        Location location;
        bool used = false;
    };
    using Block = std::map<std::string, Known, std::less<>>;
    struct Frame {
        std::vector<Block> blocks;
        std::uint32_t count = 0; ///< of names that can be seen
        std::uint32_t most = 0;
    };

    void forget(const Block& block);

    std::vector<Frame> frames_{Frame{std::vector<Block>(1)}};
    std::vector<Unused> unused_;
};

} // namespace coldbrick::sheet
