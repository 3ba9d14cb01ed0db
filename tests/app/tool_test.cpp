// The tool as a process: its pictures, its messages and its exit status.

#include "support/files.hpp"

#include <coldbrick/colour_mixing.hpp>
#include <coldbrick/colour_space.hpp>
#include <coldbrick/colour_text.hpp>
#include <coldbrick/convert.hpp>
#include <coldbrick/draw.hpp>
#include <coldbrick/files.hpp>
#include <coldbrick/font.hpp>
#include <coldbrick/magnify.hpp>
#include <coldbrick/measure.hpp>
#include <coldbrick/palette.hpp>
#include <coldbrick/reel.hpp>
#include <coldbrick/resize.hpp>
#include <coldbrick/rulers.hpp>
#include <coldbrick/sheet.hpp>
#include <coldbrick/text.hpp>

#include <gtest/gtest.h>

#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <tuple>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace coldbrick::test {

namespace {

const std::string tool = COLDBRICK_TOOL_PATH; // NOLINT(cert-err58-cpp): a path of the build

void expect_picture(const std::string& path, const Image& expected) {
    const DecodedPng decoded = decode_png(path);
    ASSERT_EQ(decoded.size, expected.size());
    for (int y = 0; y < decoded.size.height; ++y)
        for (int x = 0; x < decoded.size.width; ++x) ASSERT_EQ(decoded.at(x, y), expected.pixel({x, y}));
}

constexpr const char* quay =
    "sheet 60 x 40 on navy\nlet r = 9\ncircle at (30, 20) radius r fill gold stroke white 2\n";

} // namespace

TEST(Tool, DrawsASheet) {
    const TemporaryFolder folder;
    write_file(folder.file("quay.brick"), quay);
    const Finished drawn =
        run_command(tool + " draw " + folder.file("quay.brick") + " -o " + folder.file("a.png"));
    EXPECT_EQ(drawn.status, 0) << drawn.errors;
    EXPECT_EQ(drawn.output + drawn.errors, "");
    expect_picture(folder.file("a.png"), read_sheet(quay, "quay").render());

    const Finished set = run_command(tool + " draw --set r=15 " + folder.file("quay.brick") + " --output " +
                                     folder.file("b.png"));
    EXPECT_EQ(set.status, 0) << set.errors;
    const Setting wider{"r", "15"};
    expect_picture(folder.file("b.png"), read_sheet(quay, "quay", {.settings = {wider}}).render());

    const Finished grid =
        run_command(tool + " grid " + folder.file("quay.brick") + " --zoom 7 -o " + folder.file("c.png"));
    EXPECT_EQ(grid.status, 0) << grid.errors;
    expect_picture(folder.file("c.png"), ruled(read_sheet(quay, "quay").render(), {.zoom = 7}));
    EXPECT_EQ(
        run_command(tool + " grid " + folder.file("quay.brick") + " --no-rulers -o " + folder.file("d.png"))
            .status,
        0);
    expect_picture(folder.file("d.png"), magnified(read_sheet(quay, "quay").render()));
}

TEST(Tool, WritesEveryTypeOfFileThatHoldsThePicture) {
    const TemporaryFolder folder;
    write_file(folder.file("opaque.brick"), "sheet 3 x 2 on #102030");
    write_file(folder.file("clear.brick"), "sheet 3 x 2 on #10203040");
    const std::string map = "P7\nWIDTH 3\nHEIGHT 2\nDEPTH ";
    const std::tuple<const char*, const char*, std::string> expected[] = {
        {"opaque", "ppm", "P6\n3 2\n255\n\x10\x20\x30"},
        {"opaque", "pnm", "P6\n3 2\n255\n\x10\x20\x30"},
        {"opaque", "pgm", "P5\n3 2\n255\n\x1e\x1e"},
        {"opaque", "pam", map + "3\nMAXVAL 255\nTUPLTYPE RGB\nENDHDR\n\x10\x20\x30\x10"},
        {"clear", "pnm", map + "4\nMAXVAL 255\nTUPLTYPE RGB_ALPHA\nENDHDR\n\x10\x20\x30\x40\x10"},
        {"clear", "ppm", ""},
    };
    for (const auto& [sheet, extension, beginning] : expected) {
        const std::string picture = folder.file(std::string("a.") + extension);
        const Finished drawn =
            run_command(tool + " draw " + folder.file(std::string(sheet) + ".brick") + " -o " + picture);
        EXPECT_EQ(drawn.status, beginning.empty() ? 1 : 0) << drawn.errors;
        if (!beginning.empty()) {
            EXPECT_EQ(read_file(picture).substr(0, beginning.size()), beginning) << extension;
        }
    }
}

TEST(Tool, RecastsImages) {
    const TemporaryFolder folder;
    const Image image = read_sheet(quay, "quay").render(PixelFormat::rgb8);
    save(image, folder.file("quay.png"));
    write_file(folder.file("two.txt"), "navy deep\ngold lamp\n");
    const Palette two({{colour("navy")}, {colour("gold")}});
    const std::pair<std::string, Image> rows[] = {
        {"--format gray8", converted(image, PixelFormat::gray8)},
        {"--format gray8 --linear-gray", converted(image, PixelFormat::gray8, GrayRule::linear)},
        {"--size 33x17 --fit contain --resampling bicubic",
         resized(image, {33, 17}, {Resampling::bicubic, Fit::contain})},
        {"--size 30x30 --fit cover", resized(image, {30, 30}, {.fit = Fit::cover})},
        {"--turn 90 --mirror", oriented(image, {true, 1})},
        {"--palette " + folder.file("two.txt"),
         converted(image, PixelFormat::indexed8, GrayRule::encoded, &two)}};
    for (const auto& [options, expected] : rows) {
        const Finished done = run_command(tool + " recast " + folder.file("quay.png") + " " + options +
                                          " -o " + folder.file("b.png"));
        EXPECT_EQ(done.output + done.errors, "") << options;
        expect_picture(folder.file("b.png"), expected);
    }
    const std::tuple<const char*, int, const char*> wrong[] = {
        {"--size 3by4", 2, "\"3by4\" is not of the form WIDTHxHEIGHT"},
        {"--format rgb9", 2, "--format"},
        {"--turn 45", 2, "--turn"},
        {"--format rgba32f", 1, "a .png file cannot hold the floats of rgba32f"},
        {"--palette /nowhere", 1, "cannot read /nowhere: No such file or directory"},
    };
    for (const auto& [options, status, message] : wrong) {
        const Finished done = run_command(tool + " recast " + folder.file("quay.png") + " " + options +
                                          " -o " + folder.file("c.png"));
        EXPECT_EQ(done.status, status) << options;
        EXPECT_NE(done.errors.find(message), std::string::npos) << done.errors;
        EXPECT_FALSE(std::filesystem::exists(folder.file("c.png"))) << options;
    }
}

TEST(Tool, RecastsManyImagesIntoAFolder) {
    const TemporaryFolder folder;
    const Image image = read_sheet(quay, "quay").render(PixelFormat::rgb8);
    save(image, folder.file("a.png"), {.texts = {{"Title", "quay"}}});
    save(image, folder.file("b.png"));
    const std::string in = "cd " + folder.path().string() + " && " + tool + " recast a.png b.png ";
    const Finished done =
        run_command(in + "--into out --type jpg --quality 95 --subsampling none --progressive");
    EXPECT_EQ(done.output + done.errors, "") << "no bar where there is no terminal";
    EXPECT_EQ(load(folder.file("out/b.jpg")).size(), image.size());
    EXPECT_EQ(run_command(in + "--into out --smallest --keep-texts --resolution 150").errors, "");
    EXPECT_NEAR(inspect(folder.file("out/a.png")).resolution.value_or(Resolution{}).across, 150, 0.02);
    EXPECT_EQ(inspect(folder.file("out/a.png")).texts, (std::vector<FileText>{{"Title", "quay"}}));
    EXPECT_EQ(inspect(folder.file("out/a.png")).format, PixelFormat::indexed8);
    const std::tuple<std::string, int, const char*> wrong[] = {
        {in + "-o c.png", 2, "several images go --into a folder"},
        {in + "-o c.png --into out", 2, "give one of --output and --into"},
        {in, 2, "give one of --output and --into"},
        {in + "a.png --into out", 1, "two of the images would become out/a.png: nothing is written"},
        {in + "--into out --quality 101", 2, "--quality: \"101\" is not a whole number of 1..100"},
        {in + "--into out --quality 50", 1, "a quality means nothing to a .png file"},
        {in + "--into out --type pgm", 1, "a.png: a .pgm file cannot hold the colours of rgb8"},
        {in + "--into out --resolution 0", 2, "--resolution: \"0\" is not a whole number of 1..65535"},
        {in + "--into a.png", 1, "cannot make the folder a.png"},
        {in + "--into out --type tiff", 2, "--type: \"tiff\" is none of bmp, gif"},
        {in + "--into out --background gol", 2, "--background: \"gol\" is not a colour"},
    };
    for (const auto& [line, status, message] : wrong) {
        const Finished finished = run_command(line);
        EXPECT_EQ(finished.status, status) << line;
        EXPECT_NE(finished.errors.find(message), std::string::npos) << finished.errors;
    }
}

TEST(Tool, StandardStreamsAreFiles) {
    const TemporaryFolder folder;
    const Image image = read_sheet(quay, "quay").render(PixelFormat::rgb8);
    write_file(folder.file("quay.brick"), quay);
    const std::string in = "cd " + folder.path().string() + " && ";
    const Finished piped = run_command(in + "cat quay.brick | " + tool + " draw - -o - --type qoi | " + tool +
                                       " recast - -o - --type png | cat >out.png");
    EXPECT_EQ(piped.errors, "");
    expect_picture(folder.file("out.png"), image);
    EXPECT_NE(run_command(in + tool + " inspect - <out.png").output.find("60 x 40"), std::string::npos);
    const std::pair<std::string, std::string> wrong[] = {
        {"draw quay.brick -o -", "--output: standard output has no extension: give a --type"},
        {"recast - -o a.png </dev/null", "standard input: cannot decode the image: it is none of"},
        {"recast - --into out <out.png", "standard input has no name for a file in a folder: give -o"},
        {"draw quay.brick -o - --type png >/dev/full", "cannot write to the stream"},
        {"draw quay.brick -o - --type png >&-", "cannot write to the stream"},
    };
    for (const auto& [arguments, message] : wrong) {
        const Finished finished = run_command(in + tool + ' ' + arguments);
        EXPECT_NE(finished.status, 0) << arguments;
        EXPECT_NE(finished.errors.find(message), std::string::npos) << finished.errors;
    }
}

TEST(Tool, InspectsFiles) {
    const TemporaryFolder folder;
    const Image image = read_sheet(quay, "quay").render(PixelFormat::rgb8);
    save(image, folder.file("a.png"),
         {.texts = {{"Title", "quay\x1b[2J"}}, .resolution = Resolution{300, 300}});
    save(image, folder.file("b.jpg"));
    const std::string in = "cd " + folder.path().string() + " && " + tool + " inspect ";
    EXPECT_EQ(run_command(in + "a.png b.jpg").output, "a.png\n"
                                                      "  type           png\n"
                                                      "  size           60 x 40\n"
                                                      "  stored         3 channels of 8 bits\n"
                                                      "  read as        rgb8\n"
                                                      "  resolution     300 x 300 pixels an inch\n"
                                                      "  colour profile sRGB\n"
                                                      "  text           Title: quay\\x1b[2J\n"
                                                      "b.jpg\n"
                                                      "  type           jpg\n"
                                                      "  size           60 x 40\n"
                                                      "  stored         3 channels of 8 bits\n"
                                                      "  read as        rgb8\n");
    // Read by Python.
    const Finished json =
        run_command(in + "--json a.png b.jpg | python3 -c \"import json, sys; a, b = json.load(sys.stdin); "
                         "print(a['file'], a['width'], a['format'], a['texts'][0]['keyword'], b['type'], "
                         "b['frames'], b['turned'], b['seconds'])\"");
    EXPECT_EQ(json.output, "a.png 60 rgb8 Title jpg 1 0 0.0\n") << json.errors;
    EXPECT_EQ(run_command(in + "none.png").status, 1);
    EXPECT_EQ(run_command(in).status, 2);
}

TEST(Tool, DrawsFramesAndReels) {
    const TemporaryFolder folder;
    const std::string text = "sheet 40 x 30 on navy\nframes 6 rate 10\nlet r = 4\n"
                             "circle at (6 + 5 * frame, 15) radius r fill gold\n";
    write_file(folder.file("quay.brick"), text);
    const auto frame = [&](std::int32_t number) {
        return read_sheet(text, "quay", {.frame = number}).render(PixelFormat::rgba8);
    };
    const std::string in = "cd " + folder.path().string() + " && " + tool + " ";
    EXPECT_EQ(run_command(in + "draw quay.brick --frame 4 -o f.png").errors, "");
    expect_picture(folder.file("f.png"), frame(4));
    for (const char* name : {"a.png", "a.gif", "a.webp"}) {
        const Finished done = run_command(in + "reel quay.brick --from 1 --repeat 2 -o " + name);
        EXPECT_EQ(done.output + done.errors, "") << "no bar where there is no terminal";
        ReelReader reader(folder.file(name));
        EXPECT_EQ(reader.repeats(), 2);
        for (std::int32_t i = 1; i < 6; ++i) {
            const auto shown = reader.next();
            ASSERT_TRUE(shown);
            EXPECT_EQ(difference(shown->image, frame(i)).pixels, 0) << name << ' ' << i;
            EXPECT_EQ(shown->duration.microseconds, 100000);
        }
        EXPECT_FALSE(reader.next());
    }
    EXPECT_EQ(
        run_command(in + "reel quay.brick --set r=9 --to 2 --rate 30000/1001 -o - --type y4m | head -c 40")
            .output,
        "YUV4MPEG2 W40 H30 F30000:1001 Ip A1:1 C4");
    EXPECT_EQ(run_command(in + "reel quay.brick -o n_##.ppm && ls n_*").output,
              "n_00.ppm\nn_01.ppm\nn_02.ppm\nn_03.ppm\nn_04.ppm\nn_05.ppm\n");
    // A reel is recast as a whole.
    EXPECT_EQ(run_command(in + "recast a.png --size 20x15 -o small.gif").errors, "");
    EXPECT_EQ(run_command(in + "recast a.gif --frame 2 -o third.jpg").errors, "");
    const ImageInfo small = inspect(folder.file("small.gif"));
    EXPECT_EQ(small.frames, 5);
    EXPECT_EQ(small.size, (Size{20, 15}));
    EXPECT_EQ(small.duration, Duration(500000));
    EXPECT_EQ(small.repeats, 2);
    EXPECT_EQ(run_command(in + "reel quay.brick -o any.thing --type gif && " + tool +
                          " recast any.thing -o other --type webp")
                  .errors,
              "");
    EXPECT_EQ(inspect(folder.file("other")).type, FileType::webp);
    EXPECT_NE(run_command(in + "inspect a.webp").output.find("frames         5, 0.5 s in all, 2 times"),
              std::string::npos);
    const std::tuple<const char*, int, const char*> wrong[] = {
        {"recast a.gif -o b.jpg", 1, "a.gif has 5 frames, and a .jpg file holds one: give a --frame"},
        {"recast a.gif -o b.png --smallest", 1,
         "--smallest, --keep-texts and --background are for single pictures"},
        {"recast a.gif -o b.png --quality 4", 1, "a quality means nothing to a .png file"},
        {"reel quay.brick -o b.gif --compression 4", 1,
         "a compression level means nothing to a reel of this type"},
        {"recast a.gif --frame 5 -o b.jpg", 1, "frame 5 is outside 0..4"},
        {"reel quay.brick -o b.jpg", 2,
         "--output: cannot write b.jpg: the extension \".jpg\" is none of .png, .apng"},
        {"reel quay.brick -o b.gif --to 6", 1, "the frames 0 to 6 are not among the sheet's 0 to 5"},
        {"reel quay.brick -o b.gif --rate 0", 2, "--rate: \"0\" is not of the form FRAMES or FRAMES/SECONDS"},
        {"reel quay.brick -o b.gif --rate 100", 1, "a frame of a GIF file lasts 2 to 65535 hundredths"},
        {"draw quay.brick -o b.png --frame 6", 1, "frame 6 is outside 0..5"},
        {"reel quay.brick", 2, "--output is missing"},
    };
    for (const auto& [arguments, status, message] : wrong) {
        const Finished finished = run_command(in + arguments);
        EXPECT_EQ(finished.status, status) << arguments;
        EXPECT_NE(finished.errors.find(message), std::string::npos) << finished.errors;
    }
}

TEST(Tool, ShowsABarOnATerminal) {
    const int terminal = ::posix_openpt(O_RDWR | O_NOCTTY);
    if (terminal < 0) GTEST_SKIP() << "there are no terminals here";
    ::close(terminal);
    const TemporaryFolder folder;
    write_file(folder.file("quay.brick"), "sheet 40 x 30 on navy\nframes 6\n");
    const Finished shown = run_command("cd " + folder.path().string() + " && script -qec '" + tool +
                                       " reel quay.brick -o c.png' /dev/null");
    EXPECT_NE(shown.output.find("100% [========================================] 6 of 6, 0 s left"),
              std::string::npos)
        << shown.output;
}

TEST(Tool, ListsColoursThatRecastReads) {
    const TemporaryFolder folder;
    EXPECT_EQ(run_command(tool + " colours").output, palette_text(default_palette()));
    std::string distinct;
    for (const Colour& one : distinct_colours(5, 7)) distinct += hex(one) + "\n";
    EXPECT_EQ(run_command(tool + " colours --distinct 5 --seed 7").output, distinct);
    EXPECT_EQ(run_command(tool + " colours --distinct 1 --json | python3 -m json.tool --compact").output,
              "[{\"colour\":\"" + hex(distinct_colours(1)[0]) + "\",\"name\":\"\"}]\n");
    write_file(folder.file("own.txt"), "gold lamp // the light\nnavy\n");
    EXPECT_EQ(run_command(tool + " colours --palette " + folder.file("own.txt")).output,
              "#ffd700 lamp\n#000080\n");
    write_file(folder.file("bad.txt"), "gold\n\ngolf\n");
    const Finished bad = run_command(tool + " colours --palette " + folder.file("bad.txt"));
    EXPECT_EQ(bad.status, 1);
    EXPECT_NE(bad.errors.find("bad.txt: palette line 3: \"golf\" is not a colour"), std::string::npos)
        << bad.errors;
    EXPECT_EQ(run_command(tool + " colours --distinct 257").status, 2);
}

TEST(Tool, LaysImagesThatLieBesideTheSheet) {
    const TemporaryFolder folder;
    Image mark({2, 2}, PixelFormat::rgb8, colour("red"));
    save(mark, folder.file("mark.png"));
    write_file(folder.file("quay.brick"), "sheet 4 x 4 on navy\nimage \"mark.png\" at (1, 1)\n");
    const Finished drawn =
        run_command("cd / && " + tool + " draw " + folder.file("quay.brick") + " -o " + folder.file("a.png"));
    EXPECT_EQ(drawn.errors, "");
    Image expected({4, 4}, PixelFormat::rgba8, colour("navy"));
    draw(expected, Box{1, 1, 2, 2}, Fill{colour("red")});
    expect_picture(folder.file("a.png"), expected);
}

TEST(Tool, ReadsFilesBesideTheSheetAndWarns) {
    const TemporaryFolder folder;
    std::filesystem::create_directories(folder.path() / "sheets");
    const auto write = [&](const std::string& name, const std::string& text) {
        std::ofstream(folder.file(name)) << text;
        return folder.file(name);
    };
    write("sheets/boats.csv", "x,tint\n3,red\n7,gold\n");
    write("sheets/marks.brick", "motif mark(tint)\n  dots (0, 1)  stroke tint\nend\n");
    const std::string plain = "sheet 9 x 3 on navy\ndots (3, 1) stroke red\ndots (7, 1) stroke gold\n";
    const std::string statements = "data boats from \"boats.csv\"\nrepeat boat in boats\n  place "
                                   "mark(colour(boat.tint)) at (boat.x, 0)\nend\nlet unused = 1\n";
    const std::string sheet =
        write("sheets/quay.brick", "sheet 9 x 3 on navy\ninclude \"marks.brick\"\n" + statements);
    const Finished warned = run_command(tool + " draw " + sheet + " --warnings -o " + folder.file("a.png"));
    EXPECT_EQ(warned.status, 0);
    EXPECT_EQ(warned.errors, sheet + ":7:5: warning: nothing uses \"unused\"\n");
    expect_picture(folder.file("a.png"), read_sheet(plain, "plain").render());

    const std::string beyond =
        write("beyond.brick", "sheet 9 x 3\ndots (20, 1) stroke red\ndots (1, 1) stroke red\n");
    const std::string draw_beyond = tool + " draw " + beyond + " -o " + folder.file("c.png");
    const Finished told = run_command(draw_beyond);
    EXPECT_EQ(told.status, 0);
    EXPECT_TRUE(told.errors.starts_with("coldbrick: " + beyond + ":2:1: this lies outside the sheet"))
        << told.errors;
    EXPECT_EQ(run_command(draw_beyond + " --quiet").errors, "");

    const std::string outside =
        write("outside.brick", "sheet 9 x 3 on navy\ninclude \"../" + folder.path().filename().string() +
                                   "/sheets/marks.brick\"\nplace mark(red)\n");
    const std::string draw = tool + " draw " + outside + " -o " + folder.file("b.png");
    EXPECT_EQ(run_command(draw).status, 1);
    EXPECT_EQ(run_command(draw + " --leave-folder").status, 0);
}

TEST(Tool, TidiesSheets) {
    const TemporaryFolder folder;
    const std::string sheet = folder.file("quay.brick");
    std::ofstream(sheet) << "sheet   9 x 3\nrepeat  3\ndots(1,1) stroke red\nend\n";
    const std::string tidied = "sheet 9 x 3\nrepeat 3\n  dots (1, 1) stroke red\nend\n";
    EXPECT_EQ(run_command(tool + " tidy " + sheet).output, tidied);
    EXPECT_EQ(run_command(tool + " tidy - < " + sheet).output, tidied);
    EXPECT_EQ(run_command(tool + " tidy --replace " + sheet).output, "");
    EXPECT_EQ(read_file(sheet), tidied);
    EXPECT_EQ(run_command(tool + " tidy --replace - < " + sheet).errors,
              "coldbrick: standard input cannot be replaced\n");
}

TEST(Tool, DemoWritesPicturesAndReplacesNothingUnlessToldTo) {
    const TemporaryFolder folder;
    const std::string target = folder.file("new/demo");
    const std::string demo = tool + " demo " + target;
    const Finished first = run_command(demo);
    EXPECT_EQ(first.status, 0) << first.errors;
    const std::string sheet = target + "/tarn_haven_chart.brick";
    const std::string picture = target + "/tarn_haven_chart.png";
    EXPECT_NE(first.output.find(picture + "  drawn from " + sheet), std::string::npos) << first.output;
    const auto load_text = [&](const std::string& file, std::size_t) {
        return read_file(target + '/' + file);
    };
    expect_picture(picture, read_sheet(read_file(sheet), "chart", {.load_text = load_text}).render());
    EXPECT_EQ(inspect(target + "/tarn_haven_camera.jpg").type, FileType::jpeg);
    for (const char* reel : {"/tarn_haven_night.png", "/tarn_haven_night.gif"})
        EXPECT_EQ(inspect(target + reel).frames, 48) << reel;

    const std::string drawn = read_file(picture);
    write_file(picture, "mine");
    std::filesystem::remove(target + "/tarn_haven_watch.png");
    const Finished refused = run_command(demo);
    EXPECT_EQ(refused.status, 1);
    EXPECT_NE(refused.errors.find(
                  "nothing is written, since these files are there and differ from the demo's; --force "
                  "replaces them: " +
                  picture + '\n'),
              std::string::npos)
        << refused.errors;
    EXPECT_EQ(read_file(picture), "mine");
    EXPECT_FALSE(std::filesystem::exists(target + "/tarn_haven_watch.png"));
    EXPECT_EQ(run_command(demo + " --force").status, 0);
    EXPECT_EQ(read_file(picture), drawn);
#ifndef COLDBRICK_SANITIZED // which takes long for it
    EXPECT_EQ(run_command(demo).status, 0) << "all files are the demo's own";
#endif
}

TEST(Tool, TellsWhatIsWrongAndHow) {
    const TemporaryFolder folder;
    write_file(folder.file("quay.brick"), quay);
    write_file(folder.file("bad.brick"), "sheet 9 x 9\ncircle\n");
    write_file(folder.file("vast.brick"), "sheet 2000000000 x 1000000000\n");
    const std::string sheet = folder.file("quay.brick");
    const std::string out = " -o " + folder.file("a.png");
    struct Row {
        std::string arguments;
        int status;
        std::string errors; ///< part of what is printed
    };
    const Row rows[] = {
        {"draw " + folder.file("none.brick") + out, 1,
         "coldbrick: cannot read " + folder.file("none.brick") + ": No such file or directory\n"},
        {"draw " + folder.path().string() + out, 1,
         "coldbrick: cannot read " + folder.path().string() + ": Is a directory\n"},
        {"draw " + folder.file("bad.brick") + out, 1,
         "coldbrick: " + folder.file("bad.brick") +
             ":2:7: expected \"at\", found the end of the line\ncircle\n      ^\n"},
        {"draw " + folder.file("vast.brick") + out, 1,
         "coldbrick: " + folder.file("vast.brick") +
             ":1:1: a picture of 2000000000 x 1000000000 pixels has more than 4294967296\n"},
        {"draw " + sheet + " -o a.tiff", 2,
         "coldbrick: --output: cannot write a.tiff: the extension \".tiff\" is none of"},
        {"draw " + sheet + " -o " + folder.file("no/a.png"), 1, ": No such file or directory\n"},
        {"draw " + sheet + out + " --set q=1", 1, "no let defines \"q\""},
        {"draw " + sheet + out + " --set r", 2, "\"r\" is not of the form NAME=VALUE"},
        {"draw " + sheet, 2, "--output is missing"},
        {"draw", 2, "SHEET is missing"},
        {"grid " + sheet + out + " --zoom 0", 2, "--zoom: \"0\" is not a whole number of 1..1024\n"},
        {"grid " + sheet + out + " --zoom abc", 2, "--zoom: \"abc\" is not a whole number of 1..1024\n"},
        {"recast a.png -o b.png --turn x", 2, "--turn: \"x\" is none of -270, -180, -90, 0, 90, 180, 270\n"},
        {"recast a.png -o b.png --fit contain", 2, "--fit means nothing without --size"},
        {"recast a.png -o b.png --resampling area", 2, "--resampling means nothing without --size"},
        {"recast a.png -o b.png --linear-gray", 2, "--linear-gray means nothing without --format"},
        {"recast a.png -o b.png --format gray8 --palette p", 2, "--format and --palette exclude each other"},
        {"recast a.png -o b.png --format gray7", 2, "--format: \"gray7\" is none of abgr8, argb8"},
        {"recast a.png -o b.png --size 0x9", 2,
         "\"0x9\" is not of the form WIDTHxHEIGHT, such as 100x50, each of 1..2147483647"},
        {"colours --seed 3", 2, "--seed means nothing without --distinct"},
        {"colours --distinct 257", 2, "--distinct: \"257\" is not a whole number of 1..256\n"},
        {"faces nowhere.ttf" + out, 1, "cannot read font \"nowhere.ttf\": No such file or directory\n"},
        {"faces \"DejaVu Snas\"" + out, 1, "did you mean \"DejaVu Sans\"?\n"},
        {"faces stroke", 2, "FACE means nothing without --output\n"},
        {"faces --weight 500" + out, 2, "--weight means nothing without FACE\n"},
        {"faces stroke --weight 0" + out, 2, "--weight: \"0\" is not a whole number of 1..1000\n"},
        {"demo " + sheet, 1, "coldbrick: cannot make the folder " + sheet},
        {"", 2, "no command is given"},
        {"drow", 2,
         "\"drow\" is no command; did you mean \"draw\"?\nThe commands are draw, check, explain, sweep, "
         "grid, "
         "reel, tidy, recast, inspect, differ, mark, look, colours, faces, demo, help.\n"},
        {"\"$(printf 'a\\033[2J')\"", 2, "\"a\\x1b[2J\" is no command\n"},
    };
    for (const Row& row : rows) {
        const Finished finished = run_command(tool + ' ' + row.arguments);
        EXPECT_EQ(finished.status, row.status) << row.arguments << '\n' << finished.errors;
        EXPECT_NE(finished.errors.find(row.errors), std::string::npos) << row.arguments << '\n'
                                                                       << finished.errors;
        EXPECT_EQ(finished.output, "") << row.arguments;
    }
    EXPECT_EQ(folder.file_count(), 3) << "a failed command leaves a file";
}

TEST(Tool, ListsAndDrawsFaces) {
    const TemporaryFolder folder;
    const Finished listed = run_command(tool + " faces");
    EXPECT_EQ(listed.status, 0) << listed.errors;
    EXPECT_TRUE(listed.output.starts_with("stroke: built in")) << listed.output;
    EXPECT_NE(listed.output.find("\nDejaVu Sans: "), std::string::npos) << listed.output;
    const std::string json = run_command(tool + " faces --json | python3 -m json.tool --compact").output;
    EXPECT_NE(json.find(R"("family":"bitmap")"), std::string::npos) << json;
    EXPECT_NE(json.find("/DejaVuSans-Bold.ttf"), std::string::npos) << json;
    EXPECT_EQ(run_command(tool + " faces -o " + folder.file("all.png")).status, 0);
    EXPECT_GT(load(folder.file("all.png")).height(), 300);
    // A sheet takes built-in faces, families and files beside it.
    std::filesystem::copy_file("/usr/share/fonts/truetype/dejavu/DejaVuSerif.ttf", folder.file("own.ttf"));
    write_file(folder.file("a.brick"),
               "sheet 90 x 30\ntext \"Quay\" at (4, 22) size 20 face \"own.ttf\" fill black\n");
    EXPECT_EQ(run_command(tool + " draw " + folder.file("a.brick") + " -o " + folder.file("a.png")).errors,
              "");
    Image expected({90, 30}, PixelFormat::rgb8, colour("white"));
    draw(expected, Text("Quay", {4, 22}, {.face = load_face(folder.file("own.ttf")), .size = 20}),
         colour("black"));
    expect_picture(folder.file("a.png"), expected);
}

TEST(Tool, TellsItsVersionAndHelp) {
    const Finished version = run_command(tool + " --version");
    EXPECT_EQ(version.status, 0);
    EXPECT_EQ(version.output, "coldbrick " COLDBRICK_VERSION "\n");
    const Finished help = run_command(tool + " --help");
    EXPECT_EQ(help.status, 0);
    EXPECT_NE(help.output.find("  coldbrick COMMAND [options]\n"), std::string::npos) << help.output;
}

TEST(Tool, TellsThatItsOutputIsLost) {
    for (const char* arguments : {"colours", "--help", "draw --help", "--version"}) {
        for (const char* lost : {" >/dev/full", " >&-"}) {
            const Finished finished = run_command(tool + ' ' + arguments + lost);
            EXPECT_EQ(finished.status, 1) << arguments << lost;
            EXPECT_NE(finished.errors.find("coldbrick: cannot write to standard output: "), std::string::npos)
                << finished.errors;
        }
    }
    // A closed stream's number is not given to the picture.
    const TemporaryFolder folder;
    write_file(folder.file("quay.brick"), quay);
    EXPECT_EQ(
        run_command(tool + " draw " + folder.file("quay.brick") + " -o " + folder.file("a.png") + " >&-")
            .status,
        0);
    EXPECT_EQ(decode_png(folder.file("a.png")).size, (Size{60, 40}));
}

TEST(Tool, EndlessFilesAreRefused) {
    const TemporaryFolder folder;
    const std::string out = " -o " + folder.file("a.png");
    const std::string too_long = "cannot read /dev/zero: it has more than 268435456 bytes";
    write_file(folder.file("quay.brick"), "sheet 9 x 9\nimage \"/dev/zero\" at (0, 0)\n");
    const std::pair<std::string, std::string> rows[] = {
        {"draw /dev/zero" + out, too_long},
        {"colours --palette /dev/zero", too_long},
        {"recast /dev/zero" + out, "/dev/zero: cannot decode the image: it is none of"},
        {"draw " + folder.file("quay.brick") + out,
         ":2:7: \"/dev/zero\" leads out of the sheet's folder: --leave-folder allows that"},
        {"draw --leave-folder " + folder.file("quay.brick") + out,
         ":2:7: \"/dev/zero\" is not a regular file"},
    };
    for (const auto& [arguments, message] : rows) {
        const Finished finished = run_command(tool + ' ' + arguments);
        EXPECT_EQ(finished.status, 1) << arguments;
        EXPECT_NE(finished.errors.find(message), std::string::npos) << finished.errors;
    }
}

TEST(Tool, ASaveThatEndsEarlyLeavesNothingBehind) {
    const TemporaryFolder folder;
    write_file(folder.file("vast.brick"), "sheet 3000 x 3000 on navy\n");
    const std::string draw = tool + " draw " + folder.file("vast.brick") + " -o " + folder.file("a.ppm");
    const Finished limited = run_command("ulimit -f 8; " + draw);
    EXPECT_EQ(limited.status, 1);
    EXPECT_EQ(limited.errors, "coldbrick: cannot write " + folder.file("a.ppm") + ": File too large\n");
    for (const char* signal : {"INT", "TERM"})
        for (const char* after : {"0.02", "0.04", "0.06", "0.08"}) {
            (void)run_command(std::string("timeout -s ") + signal + ' ' + after + ' ' + draw);
            std::filesystem::remove(folder.file("a.ppm")); // if it was in time
            EXPECT_EQ(folder.file_count(), 1) << signal << ' ' << after;
        }
}

TEST(Tool, MessagesThatCannotBePrintedAreNoDisaster) {
    const TemporaryFolder folder;
    const std::string missing = tool + " draw nothing.brick -o " + folder.file("a.png");
    EXPECT_EQ(run_command(missing + " 2>/dev/full").status, 1);
    EXPECT_EQ(run_command(missing + " 2>&-").status, 1);
    const Finished closed = run_command(tool + " draw - -o " + folder.file("a.png") + " <&-");
    EXPECT_EQ(closed.status, 1);
    EXPECT_EQ(closed.errors, "coldbrick: cannot read standard input: Bad file descriptor\n");
    EXPECT_EQ(folder.file_count(), 0);
}

TEST(Tool, WhatIsReadIsNeverReplaced) {
    const TemporaryFolder folder;
    write_file(folder.file("quay.brick"), std::string(quay) + "image \"tile.png\" at (0, 0)\n");
    write_file(folder.file("marks.csv"), "x,y\n5,5\n");
    save(Image({9, 9}, PixelFormat::rgb8), folder.file("tile.png"));
    std::filesystem::create_symlink(folder.file("quay.brick"), folder.file("link.png"));
    const auto path = [&](const char* name) { return folder.file(name); };
    const std::string rows[] = {
        "draw " + path("quay.brick") + " --type png -o " + path("quay.brick"),
        "draw " + path("quay.brick") + " -o " + path("link.png"),
        "draw " + path("quay.brick") + " -o " + path("tile.png"),
        "reel " + path("quay.brick") + " -o " + path("tile.png"),
        "sweep " + path("quay.brick") + " --over r=1..2 -o " + path("tile.png"),
        "grid " + path("tile.png") + " -o " + path("tile.png"),
        "explain " + path("quay.brick") + " 1,1,5x5 -o " + path("tile.png"),
        "recast " + path("tile.png") + " -o " + path("tile.png"),
        "differ " + path("tile.png") + " " + path("tile.png") + " -o " + path("tile.png"),
        "mark " + path("tile.png") + " --with " + path("marks.csv") + " -o " + path("tile.png"),
        "mark " + path("tile.png") + " --with " + path("marks.csv") + " --type png -o " + path("marks.csv"),
    };
    const std::string sheet = read_file(path("quay.brick"));
    const std::string tile = read_file(path("tile.png"));
    for (const std::string& row : rows) {
        const Finished finished = run_command(tool + ' ' + row);
        EXPECT_NE(finished.status, 0) << row;
        EXPECT_NE(finished.errors.find("is read here, too, and would be lost"), std::string::npos)
            << row << ": " << finished.errors;
    }
    EXPECT_EQ(read_file(path("quay.brick")), sheet);
    EXPECT_EQ(read_file(path("tile.png")), tile);
}

TEST(Tool, SheetsStayInTheirFolder) {
    const TemporaryFolder folder;
    std::filesystem::create_directory(folder.file("sheets"));
    write_file(folder.file("secret.txt"), "password\n");
    std::filesystem::create_symlink("../secret.txt", folder.file("sheets/inside.brick"));
    ASSERT_EQ(::mkfifo(folder.file("sheets/pipe").c_str(), 0600), 0);
    const std::pair<std::string, std::string> rows[] = {
        {"include \"inside.brick\"",
         "\"inside.brick\" leads out of the sheet's folder: --leave-folder allows that"},
        {"data d from \"inside.brick\"", "leads out of the sheet's folder"},
        {"image \"inside.brick\" at (0, 0)", "leads out of the sheet's folder"},
        {"box (0, 0) size 5 x 5 fill texture \"inside.brick\"", "leads out of the sheet's folder"},
        {"image \"pipe\" at (0, 0)", "\"pipe\" is not a regular file"},
        {"include \"pipe\"", "\"pipe\" is not a regular file"},
    };
    for (const auto& [statement, message] : rows) {
        write_file(folder.file("sheets/quay.brick"), "sheet 9 x 9\n" + statement + "\n");
        const Finished finished =
            run_command(tool + " draw " + folder.file("sheets/quay.brick") + " -o " + folder.file("a.png"));
        EXPECT_EQ(finished.status, 1);
        EXPECT_NE(finished.errors.find(message), std::string::npos) << finished.errors;
        EXPECT_EQ(finished.errors.find("password"), std::string::npos) << finished.errors;
    }
    write_file(folder.file("sheets/quay.brick"), "sheet 9 x 9\nlet a\u202E = 1\n");
    const Finished steered = run_command(tool + " draw " + folder.file("sheets/quay.brick") + " -o a.png");
    EXPECT_EQ(steered.errors.find("\u202E"), std::string::npos) << steered.errors;
    const Finished twice = run_command(tool + " draw " + folder.file("sheets/quay.brick") +
                                       " --set r=1 --set r=2 -o " + folder.file("a.png"));
    EXPECT_EQ(twice.errors, "coldbrick: --set gives \"r\" twice\n");
}

} // namespace coldbrick::test
