/// @file
/// What shapes and images are painted with.
#pragma once

#include "sheet/language/expression_parser.hpp"
#include "sheet/language/syntax.hpp"
#include "sheet/language/token_cursor.hpp"

#include <optional>
#include <vector>

namespace coldbrick::sheet {

class StyleParser {
  public:
    /// @param cursor,expressions outlive the parser
    StyleParser(TokenCursor& cursor, ExpressionParser& expressions)
        : cursor_(cursor), expressions_(expressions) {}

    /// A style with a name, a fill, a stroke or some of these, up to a name that is given or the end of the
    /// statement.
    void take_style(StyleWords& result, WordsBefore& before);

    /// like STYLE; null if there is no such word.
    ExpressionPtr base(WordsBefore& before);

    /// A file between double quotes.
    FileName file(std::string_view what);

    /// Takes a word of blending and what follows it, if there is one.
    bool take_blending(BlendingWords& blending, WordsBefore& before);
    using BlendingTable = std::span<const WordAction<StyleParser, BlendingWords>>;
    static BlendingTable blending_table();

    /// Takes a word of edges, if there is one.
    bool take_edges(std::optional<Edges>& edges, WordsBefore& before);
    using EdgesTable = std::span<const WordAction<std::optional<Edges>>>;
    static EdgesTable edges_table();

    /// A colour, or a pattern.
    PaintWords paint_words();

  private:
    std::vector<StopWords> stops();
    HatchWords hatch_words();
    StippleWords stipple_words();
    FillWords fill_words(const Location& location);
    StrokeWords stroke_words(const Location& location);

    TokenCursor& cursor_;
    ExpressionParser& expressions_;
};

} // namespace coldbrick::sheet
