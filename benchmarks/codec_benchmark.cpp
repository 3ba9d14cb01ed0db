// Image files beside the plain use of the libraries that code them, in memory, at their default levels; and
// reels.

#include <coldbrick/coldbrick.hpp>

#include <benchmark/benchmark.h>

#include <cstdio>
#include <cstdlib>
#include <sstream>
#include <string>
#include <vector>

#include <jpeglib.h>
#include <png.h>
#include <webp/decode.h>
#include <webp/encode.h>

namespace {

namespace cb = coldbrick;

constexpr cb::Size size{960, 600};

/// What is drawn: areas of one colour, lines and circles.
cb::Image drawn() {
    cb::Image image(size, cb::PixelFormat::rgb8, cb::colour("#0d2436"));
    for (int i = 0; i < 60; ++i)
        cb::draw(image, cb::Circle{{i * 131 % 960, i * 71 % 600}, 12 + i * 17 % 60},
                 cb::Fill{cb::Colour(i * 4, 255 - i * 3, i * 37 % 256)}, cb::Stroke{cb::colour("white"), 2});
    return image;
}

/// What a camera sees: gradients with noise in the lowest bits.
cb::Image photographed() {
    cb::Image image(size, cb::PixelFormat::rgb8);
    std::uint32_t noise = 1;
    for (int y = 0; y < size.height; ++y) {
        std::byte* pixel = image.view().row(y).data();
        for (int x = 0; x < size.width; ++x)
            for (const int light : {x * 240 / 960, y * 240 / 600, (x + y) * 240 / 1560}) {
                noise = noise * 1664525U + 1013904223U;
                *pixel++ = static_cast<std::byte>(light + static_cast<int>(noise >> 29U));
            }
    }
    return image;
}

const cb::Image& picture(std::int64_t which) {
    static const cb::Image pictures[] = {drawn(), photographed()};
    return pictures[which];
}

unsigned char* row(cb::Image& image, std::int32_t y) {
    return reinterpret_cast<unsigned char*>(image.view().row(y).data());
}

// ----------------------------------------------------------------------------------------- plain use

std::vector<unsigned char> plain_png_encode(cb::Image& image) {
    std::vector<unsigned char> file;
    png_structp png = png_create_write_struct(PNG_LIBPNG_VER_STRING, nullptr, nullptr, nullptr);
    png_infop info = png_create_info_struct(png);
    png_set_write_fn(
        png, &file,
        [](png_structp to, png_bytep bytes, png_size_t count) {
            auto& target = *static_cast<std::vector<unsigned char>*>(png_get_io_ptr(to));
            target.insert(target.end(), bytes, bytes + count);
        },
        nullptr);
    png_set_IHDR(png, info, static_cast<png_uint_32>(image.width()), static_cast<png_uint_32>(image.height()),
                 8, PNG_COLOR_TYPE_RGB, PNG_INTERLACE_NONE, PNG_COMPRESSION_TYPE_DEFAULT,
                 PNG_FILTER_TYPE_DEFAULT);
    png_write_info(png, info);
    for (std::int32_t y = 0; y < image.height(); ++y) png_write_row(png, row(image, y));
    png_write_end(png, info);
    png_destroy_write_struct(&png, &info);
    return file;
}

void plain_png_decode(const std::vector<unsigned char>& file, cb::Image& image) {
    png_image reader{};
    reader.version = PNG_IMAGE_VERSION;
    png_image_begin_read_from_memory(&reader, file.data(), file.size());
    reader.format = PNG_FORMAT_RGB;
    png_image_finish_read(&reader, nullptr, image.view().bytes(), 0, nullptr);
}

std::vector<unsigned char> plain_jpeg_encode(cb::Image& image) {
    jpeg_compress_struct codec{};
    jpeg_error_mgr errors{};
    codec.err = jpeg_std_error(&errors);
    jpeg_create_compress(&codec);
    unsigned char* memory = nullptr;
    unsigned long bytes = 0;
    jpeg_mem_dest(&codec, &memory, &bytes);
    codec.image_width = static_cast<JDIMENSION>(image.width());
    codec.image_height = static_cast<JDIMENSION>(image.height());
    codec.input_components = 3;
    codec.in_color_space = JCS_RGB;
    jpeg_set_defaults(&codec);
    jpeg_set_quality(&codec, 90, TRUE);
    jpeg_start_compress(&codec, TRUE);
    while (codec.next_scanline < codec.image_height) {
        JSAMPROW line = row(image, static_cast<std::int32_t>(codec.next_scanline));
        jpeg_write_scanlines(&codec, &line, 1);
    }
    jpeg_finish_compress(&codec);
    jpeg_destroy_compress(&codec);
    std::vector<unsigned char> file(memory, memory + bytes);
    std::free(memory); // NOLINT(cppcoreguidelines-no-malloc): libjpeg's
    return file;
}

void plain_jpeg_decode(const std::vector<unsigned char>& file, cb::Image& image) {
    jpeg_decompress_struct codec{};
    jpeg_error_mgr errors{};
    codec.err = jpeg_std_error(&errors);
    jpeg_create_decompress(&codec);
    jpeg_mem_src(&codec, file.data(), file.size());
    jpeg_read_header(&codec, TRUE);
    jpeg_start_decompress(&codec);
    while (codec.output_scanline < codec.output_height) {
        JSAMPROW line = row(image, static_cast<std::int32_t>(codec.output_scanline));
        jpeg_read_scanlines(&codec, &line, 1);
    }
    jpeg_finish_decompress(&codec);
    jpeg_destroy_decompress(&codec);
}

std::vector<unsigned char> plain_webp_encode(cb::Image& image) {
    std::uint8_t* memory = nullptr;
    const std::size_t bytes =
        WebPEncodeLosslessRGB(row(image, 0), image.width(), image.height(), 3 * image.width(), &memory);
    std::vector<unsigned char> file(memory, memory + bytes);
    WebPFree(memory);
    return file;
}

void plain_webp_decode(const std::vector<unsigned char>& file, cb::Image& image) {
    const auto bytes = static_cast<std::size_t>(3 * image.width()) * static_cast<std::size_t>(image.height());
    WebPDecodeRGBInto(file.data(), file.size(), row(image, 0), bytes, 3 * image.width());
}

struct Plain {
    cb::FileType type;
    std::vector<unsigned char> (*encode)(cb::Image& image);
    void (*decode)(const std::vector<unsigned char>& file, cb::Image& image);
};
constexpr Plain plain_uses[] = {{cb::FileType::png, plain_png_encode, plain_png_decode},
                                {cb::FileType::jpeg, plain_jpeg_encode, plain_jpeg_decode},
                                {cb::FileType::webp, plain_webp_encode, plain_webp_decode}};

void label(benchmark::State& state, std::size_t bytes) {
    const cb::FileType type = plain_uses[state.range(0)].type;
    state.SetLabel(std::string(cb::extension(type)) + (state.range(1) == 0 ? " drawn" : " photographed"));
    state.counters["bytes"] = static_cast<double>(bytes);
    state.SetBytesProcessed(state.iterations() * 3 * size.width * size.height);
}

// Arguments: the type, and which picture.

void encode_plainly(benchmark::State& state) {
    cb::Image image = picture(state.range(1));
    std::size_t bytes = 0;
    for (auto _ : state) bytes = plain_uses[state.range(0)].encode(image).size();
    label(state, bytes);
}
void encode(benchmark::State& state) {
    const cb::Image& image = picture(state.range(1));
    std::size_t bytes = 0;
    for (auto _ : state) bytes = cb::encode(image, plain_uses[state.range(0)].type).size();
    label(state, bytes);
}
void decode_plainly(benchmark::State& state) {
    cb::Image image = picture(state.range(1));
    const auto file = plain_uses[state.range(0)].encode(image);
    for (auto _ : state) {
        cb::Image back(size, cb::PixelFormat::rgb8);
        plain_uses[state.range(0)].decode(file, back);
        benchmark::DoNotOptimize(back.view().bytes());
    }
    label(state, file.size());
}
void decode(benchmark::State& state) {
    cb::Image image = picture(state.range(1));
    const auto file = plain_uses[state.range(0)].encode(image);
    for (auto _ : state) benchmark::DoNotOptimize(cb::decode(std::as_bytes(std::span(file))).view().bytes());
    label(state, file.size());
}
BENCHMARK(encode_plainly)->ArgsProduct({{0, 1, 2}, {0, 1}});
BENCHMARK(encode)->ArgsProduct({{0, 1, 2}, {0, 1}});
BENCHMARK(decode_plainly)->ArgsProduct({{0, 1, 2}, {0, 1}});
BENCHMARK(decode)->ArgsProduct({{0, 1, 2}, {0, 1}});

/// Argument: the type. Frames that are drawn before, so that only their coding counts.
void reel(benchmark::State& state) {
    const auto type = static_cast<cb::ReelType>(state.range(0));
    std::vector<cb::Image> frames;
    for (int i = 0; i < 4; ++i) {
        cb::Image frame = drawn();
        cb::draw(frame, cb::Circle{{100 + 50 * i, 200}, 60}, cb::Fill{cb::colour("gold")});
        frames.push_back(std::move(frame));
    }
    for (auto _ : state) {
        std::ostringstream stream;
        cb::write_reel(stream, type, 0, 3,
                       [&](std::int32_t i) { return frames[static_cast<std::size_t>(i)]; });
    }
    state.SetItemsProcessed(4 * state.iterations());
}
BENCHMARK(reel)->DenseRange(0, 3);

} // namespace
