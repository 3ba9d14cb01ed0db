#include "support/files.hpp"

#include <gtest/gtest.h>
#include <png.h>

#include <cstdlib>
#include <fstream>
#include <iterator>

#include <sys/wait.h>

namespace coldbrick::test {

namespace fs = std::filesystem;

TemporaryFolder::TemporaryFolder() {
    std::string name = (fs::temp_directory_path() / "coldbrick-test-XXXXXX").string();
    if (::mkdtemp(name.data()) == nullptr) throw std::runtime_error("no temporary folder can be made");
    path_ = name;
}

TemporaryFolder::~TemporaryFolder() {
    std::error_code ignored;
    fs::remove_all(path_, ignored);
}

std::ptrdiff_t TemporaryFolder::file_count() const {
    return std::distance(fs::directory_iterator(path_), fs::directory_iterator());
}

std::string read_file(const fs::path& path) {
    std::ifstream file(path, std::ios::binary);
    EXPECT_TRUE(file) << path << " cannot be read";
    return {std::istreambuf_iterator<char>(file), {}};
}

void write_file(const fs::path& path, const std::string& text) {
    std::ofstream file(path, std::ios::binary);
    file << text;
    EXPECT_TRUE(file) << path << " cannot be written";
}

DecodedPng decode_png(const fs::path& path) {
    DecodedPng result;
    png_image image{};
    image.version = PNG_IMAGE_VERSION;
    if (png_image_begin_read_from_file(&image, path.c_str()) == 0) {
        ADD_FAILURE() << path << ": " << image.message;
        return result;
    }
    result.size = {static_cast<std::int32_t>(image.width), static_cast<std::int32_t>(image.height)};
    result.has_alpha = (image.format & PNG_FORMAT_FLAG_ALPHA) != 0;
    result.has_colour = (image.format & PNG_FORMAT_FLAG_COLOR) != 0;
    image.format = PNG_FORMAT_RGBA;
    std::vector<unsigned char> bytes(PNG_IMAGE_SIZE(image));
    if (png_image_finish_read(&image, nullptr, bytes.data(), 0, nullptr) == 0) ADD_FAILURE() << image.message;
    for (std::size_t i = 0; i < bytes.size(); i += 4)
        result.pixels.emplace_back(bytes[i], bytes[i + 1], bytes[i + 2], bytes[i + 3]);
    return result;
}

Finished run_command(const std::string& command) {
    const TemporaryFolder folder;
    const std::string line =
        "( " + command + " ) </dev/null >" + folder.file("output") + " 2>" + folder.file("errors");
    const int status = std::system(line.c_str());
    return {WIFEXITED(status) ? WEXITSTATUS(status) : -1, read_file(folder.file("output")),
            read_file(folder.file("errors"))};
}

} // namespace coldbrick::test
