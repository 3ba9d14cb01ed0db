// Writes the files that the library's own writers make into a folder for each target that takes them.
//
// usage: write_fuzz_seeds FOLDER

#include "fuzz/target_of_type.hpp"
#include "support/sample_files.hpp"

#include <coldbrick/error.hpp>
#include <coldbrick/files.hpp>

#include <exception>
#include <filesystem>
#include <iostream>

int main(int argument_count, char** arguments) {
    if (argument_count != 2) {
        std::cerr << "usage: write_fuzz_seeds FOLDER\n";
        return 2;
    }
    try {
        for (const coldbrick::test::SampleFile& file : coldbrick::test::sample_files()) {
            const std::filesystem::path folder =
                std::filesystem::path(arguments[1]) / coldbrick::fuzz::target_of(file.type);
            std::filesystem::create_directories(folder);
            coldbrick::write_file(folder / file.name, file.bytes);
        }
    } catch (const std::exception& error) {
        std::cerr << "write_fuzz_seeds: " << error.what() << '\n';
        return 1;
    }
}
