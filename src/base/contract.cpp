#include "base/contract.hpp"

#include <fmt/core.h>

#include <atomic>
#include <exception>
#include <stdexcept>

namespace coldbrick::base {

namespace {

void throw_logic_error(const char* contract, const char* file, int line) {
    throw std::logic_error(fmt::format("a mistake in Cold Brick: not ({}), {}:{}", contract, file, line));
}

std::atomic<ContractHandler> handler_in_use = throw_logic_error;

} // namespace

ContractHandler set_contract_handler(ContractHandler handler) noexcept {
    return handler_in_use.exchange(handler);
}

void contract_broken(const char* contract, const char* file, int line) {
    handler_in_use.load()(contract, file, line);
    std::terminate();
}

} // namespace coldbrick::base
