/// @file
/// The exceptions that Cold Brick throws.
#pragma once

#include <stdexcept> // Error derives from std::runtime_error

namespace [[gnu::visibility("default")]] coldbrick {

/// Any failure that Cold Brick reports. The text names the value at fault and the range it should lie in.
class Error : public std::runtime_error {
  public:
    using std::runtime_error::runtime_error;
};

/// A value handed to the library lies outside the range that the call accepts. Nothing has been changed.
/// Where memory runs out, std::bad_alloc is thrown instead; what that leaves is said where it matters.
class ArgumentError : public Error {
  public:
    using Error::Error;
};

/// A file could not be read or written. A file that was there before a failed write is untouched.
class FileError : public Error {
  public:
    using Error::Error;
};

/// A sheet could not be understood or carried out. The text begins with file:line:column and shows the line
/// with a caret under the fault.
class SheetError : public Error {
  public:
    using Error::Error;
};

} // namespace coldbrick
