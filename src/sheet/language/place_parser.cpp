#include "sheet/language/place_parser.hpp"

#include <memory>
#include <utility>

namespace coldbrick::sheet {

PlaceWords place_after_at(TokenCursor& cursor, ExpressionParser& expressions) {
    constexpr std::pair<Word, PlacingWords::Side> sides[] = {{Word::above, PlacingWords::Side::above},
                                                             {Word::below, PlacingWords::Side::below},
                                                             {Word::left_of, PlacingWords::Side::left_of},
                                                             {Word::right_of, PlacingWords::Side::right_of}};
    for (const auto& [word, side] : sides) {
        if (cursor.next().word != word) continue;
        auto beside = std::make_unique<PlacingWords>();
        beside->location = cursor.take().location;
        beside->side = side;
        beside->to = expressions.expression();
        beside->gap = expressions.after(Word::gap);
        return {nullptr, std::move(beside)};
    }
    return {expressions.expression(), nullptr};
}

} // namespace coldbrick::sheet
