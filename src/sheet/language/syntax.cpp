#include "sheet/language/syntax.hpp"

#include <utility>

namespace coldbrick::sheet {

Expression::~Expression() = default;

Statement::Statement(const Location& at, std::uint32_t its_tag, std::uint64_t its_key, StatementForm its_form)
    : location(at), tag(its_tag), key(its_key), form(std::move(its_form)) {}
Statement::Statement(Statement&& other) noexcept = default;
Statement& Statement::operator=(Statement&& other) noexcept = default;
Statement::~Statement() = default;

} // namespace coldbrick::sheet
