/// @file
/// Pictures that show what faces look like.
#pragma once

#include <coldbrick/image.hpp>
#include <coldbrick/sheet.hpp>

#include <span>
#include <string>

namespace coldbrick::tool {

/// One line of each face. @param sample what it says; usual words if it is empty
Image specimen_of_all(std::span<const std::string> names, const std::string& sample);

/// One face at many sizes, and its characters. @throws Error if there is no such face.
Image specimen_of(const WantedFace& wanted, const std::string& sample);

} // namespace coldbrick::tool
