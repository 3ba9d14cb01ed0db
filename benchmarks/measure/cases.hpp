/// @file
/// What the library and the textbook both draw.
#pragma once

#include <coldbrick/point.hpp>

#include <functional>
#include <string>
#include <vector>

/// The same shapes drawn by two sides.
struct Case {
    std::string group;
    std::string name;
    int calls; ///< shapes, or pixels of `single pixels`, that each side draws
    std::function<void()> opponent;
    std::function<void()> ours;
};

/// All cases on canvases of rgba8 pixels: one for each side, which the cases share. Where the group is
/// "arrays", the opponent is this library in a loop of single calls.
std::vector<Case> cases(coldbrick::Size canvas);
