/// @file
/// Contracts of the library's own code. A broken one is a mistake of the library, not of its user.
#pragma once

namespace coldbrick {

// Exported, since components other than the core use it, too.
namespace [[gnu::visibility("default")]] base {

/// What is told of a broken contract: its text and the place in the sources. It must not return.
using ContractHandler = void (*)(const char* contract, const char* file, int line);

/// Replaces what happens when a contract is broken, by default a std::logic_error; returns what it was.
/// For tests, in one thread.
ContractHandler set_contract_handler(ContractHandler handler) noexcept;

/// Tells the handler.
[[noreturn]] void contract_broken(const char* contract, const char* file, int line);

} // namespace base

} // namespace coldbrick

/// A contract that is always checked, since memory depends on it.
#define COLDBRICK_ENSURE(condition)                                                                          \
    static_cast<void>((condition) ||                                                                         \
                      (coldbrick::base::contract_broken(#condition, __FILE_NAME__, __LINE__), false))

/// A contract that is checked in tests and under the sanitizers.
#ifdef COLDBRICK_CONTRACTS
#define COLDBRICK_ASSERT(condition) COLDBRICK_ENSURE(condition)
#else
#define COLDBRICK_ASSERT(condition) static_cast<void>(0)
#endif
