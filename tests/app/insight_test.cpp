// The commands that tell why a picture looks as it does, as processes: what they print, draw and return.

#include "support/files.hpp"

#include <coldbrick/coldbrick.hpp>

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <chrono>
#include <cstdlib>
#include <filesystem>
#include <string>
#include <thread>

#include <fcntl.h>
#include <spawn.h>
#include <sys/wait.h>
#include <unistd.h>

namespace coldbrick::test {

namespace {

using nlohmann::json;

const std::string tool = COLDBRICK_TOOL_PATH; // NOLINT(cert-err58-cpp): a path of the build

constexpr const char* quay = "sheet 60 x 40 on navy\n"
                             "let r = 9\n"
                             "circle at (30, 20) radius r      fill gold stroke white 2\n"
                             "box (24, 14) size 12 x 12        fill #ff000080\n"
                             "box (50, 30) size 4 x 4          fill navy\n";

/// A folder with a sheet and its picture, in which commands are run.
class Insight : public ::testing::Test {
  protected:
    Insight() {
        write_file(file("quay.brick"), quay);
        save(read_sheet(quay, "quay.brick").render(PixelFormat::rgb8), file("quay.png"));
    }

    [[nodiscard]] std::string file(const std::string& name) const { return folder_.file(name); }
    [[nodiscard]] Finished run(const std::string& arguments) const {
        return run_command("cd " + folder_.path().string() + " && " + tool + " " + arguments);
    }
    [[nodiscard]] json told(const std::string& arguments) const {
        const Finished finished = run(arguments);
        EXPECT_EQ(finished.errors, "");
        return json::parse(finished.output);
    }
    /// What a command that draws into a.png draws, without printing anything.
    [[nodiscard]] Image drawn(const std::string& arguments) const {
        const Finished finished = run(arguments + " -o a.png");
        EXPECT_EQ(finished.errors + finished.output, "") << arguments;
        return load(file("a.png"));
    }

  private:
    TemporaryFolder folder_;
};

void expect_same(const Image& a, const Image& b) {
    ASSERT_EQ(a.size(), b.size());
    EXPECT_EQ(difference(a, b).largest, 0);
}

} // namespace

TEST_F(Insight, CommandsTellWhatTheyFind) {
    write_file(file("other.png"), read_file(file("quay.png")));
    struct Row {
        std::string arguments;
        int status;
        std::string output; ///< part of it; nothing stands for no output
        std::string errors;
    };
    const std::string outside = " does not lie within the ";
    const Row rows[] = {
        {"check quay.brick", 1, "quay.brick:5:1: same colour: this has the colour of all that it covers\n",
         ""},
        {"check - < quay.brick", 1, "-:5:1: same colour", ""},
        {"check quay.brick --set r=200", 1, "quay.brick:3:1: radius: the radius 200 is more than", ""},
        {"check quay.brick --frame 1", 1, "", "frame 1 is outside 0..0"},
        {"check none.brick", 1, "", "none.brick: No such file or directory"},
        {"explain quay.brick 30,20", 0,
         "30,20  #ff6b00\n  ground  #000080\n"
         "  line 3: circle at (30, 20) radius r fill gold stroke white 2\n"
         "    fill 100 %: #000080 -> #ffd700, hiding what was there\n"
         "  line 4: box (24, 14) size 12 x 12 fill #ff000080\n    fill 100 %: #ffd700 -> #ff6b00\n",
         ""},
        {"explain quay.brick 51,31", 0, "#000080 -> #000080, which is the same, hiding what was there", ""},
        {"explain quay.brick 0,0", 0, "nothing covers it", ""},
        {"explain quay.brick 60,0", 1, "", "60,0 1 x 1" + outside + "sheet's 60 x 40 pixels"},
        {"explain quay.brick 6", 2, "", "PLACE: \"6\" is not of the form X,Y with whole numbers"},
        {"explain quay.brick 1,2,3", 2, "", "is not of the form X,Y,WIDTHxHEIGHT with whole numbers"},
        {"explain quay.brick 1,2 -o a.png", 2, "", "--output: a picture shows whose the pixels of a box are"},
        {"explain quay.brick 20,10,20x20", 0, " line 3: circle at", ""},
        {"sweep quay.brick -o a.png", 2, "", "--over is missing"},
        {"sweep quay.brick --over r=1..x -o a.png", 2, "", "--over: \"r=1..x\" is not of the form"},
        {"sweep quay.brick --over q=1,2 -o a.png", 1, "", "with q = 1:\nquay.brick: no let defines \"q\""},
        {"grid -o a.png", 2, "", "INPUT, or --paper, is missing"},
        {"grid quay.brick --paper a4 -o a.png", 2, "", "INPUT and --paper exclude each other"},
        {"grid quay.png --part 50,30,20x20 -o a.png", 1, "", "50,30 20 x 20" + outside + "picture's 60 x 40"},
        {"grid --paper 40x40 --spacing 59 -o a.png", 1, "", "has no room for a square of 59"},
        {"differ quay.png other.png", 0, "", ""},
        {"differ quay.png - < other.png", 0, "", ""},
        {"differ - -", 2, "", "standard input can only be one of the images"},
        {"differ quay.png none.png", 2, "", "none.png: No such file or directory"},
        {"mark quay.png --with none.csv -o a.png", 1, "", "none.csv: No such file or directory"},
        {"mark quay.png --with quay.brick --column q=r -o a.png", 2, "",
         "--column: \"q=r\" is not of the form WORD=COLUMN, where the word is one of bottom, caption"},
        {"look quay.png --zoom 65", 2, "", "--zoom: \"65\" is not a whole number of 1..64"},
        {"look quay.png --part 0,0,61x1", 1, "", outside},
        {"inspect quay.png --at 60,1", 1, "", "pixel x 60 is outside 0..59"},
        {"grid quay.png --frame 0 -o a.png", 2, "",
         "--frame: \"quay.png\" is an image, and this is for sheets"},
        {"grid quay.png --set a=1 -o a.png", 2, "", "--set: \"quay.png\" is an image"},
        {"grid quay.png --outlines -o a.png", 2, "", "--outlines: \"quay.png\" is an image"},
        {"grid quay.png --mark 999,9 -o a.png", 2, "", "--mark: 999,9 lies outside of 0,0 "},
        {"draw quay.png -o a.png", 1, "", "quay.png is an image, not a sheet; recast, inspect"},
        {"check quay.png", 1, "", "quay.png is an image, not a sheet"},
        {"tidy quay.png", 1, "", "quay.png is an image, not a sheet"},
        {"inspect quay.brick", 1, "",
         "quay.brick is a sheet, not an image; coldbrick draw quay.brick -o FILE"},
        {"differ quay.png quay.png", 0, "equal: ", ""},
        {"faces stroke --weight 700 -o a.png", 1, "", "the built-in face stroke has one weight"},
        {"inspect quay.png --within 3", 2, "", "--within means nothing without --find"},
        {"draw - --watch -o a.png < quay.brick", 2, "", "--watch: standard input does not change"},
    };
    for (const Row& row : rows) {
        const Finished finished = run(row.arguments);
        EXPECT_EQ(finished.status, row.status) << row.arguments << '\n' << finished.errors;
        EXPECT_NE(finished.errors.find(row.errors), std::string::npos) << row.arguments << '\n'
                                                                       << finished.errors;
        if (!row.errors.empty()) continue;
        EXPECT_EQ(finished.errors, "") << row.arguments;
        EXPECT_NE(finished.output.find(row.output), std::string::npos) << row.arguments << '\n'
                                                                       << finished.output;
    }
    EXPECT_FALSE(std::filesystem::exists(file("a.png"))) << "a failed command leaves a file";
}

TEST_F(Insight, ExplainsPixelsAndBoxesInJson) {
    const json pixel = told("explain quay.brick 30,20 --json");
    EXPECT_EQ(pixel["colour"], "#ff6b00");
    ASSERT_EQ(pixel["steps"].size(), 2U);
    EXPECT_EQ(pixel["steps"][1]["place"], "quay.brick:4:1");
    EXPECT_EQ(pixel["steps"][1]["before"], "#ffd700");
    EXPECT_EQ(pixel["steps"][1]["hides"], false);
    const json box = told("explain quay.brick 0,0,60x40 --json");
    std::int64_t pixels = box["ground"];
    for (const json& statement : box["statements"]) pixels += statement["pixels"].get<std::int64_t>();
    EXPECT_EQ(pixels, 60 * 40);
    EXPECT_EQ(box["statements"][1]["pixels"], 144);
    EXPECT_EQ(told("check quay.brick --json")[0]["kind"], "same colour");

    ASSERT_EQ(run("explain quay.brick 24,14,12x12 -o a.png").status, 0);
    const Image owners = load(file("a.png")); // all of it belongs to the box, in squares of 16
    EXPECT_EQ(owners.pixel({0, 0}), owners.pixel({191, 191}));
    EXPECT_NE(owners.pixel({0, 0}), owners.pixel({198, 0}));
}

TEST_F(Insight, SweepsAndGridsAreTheLibrarys) {
    const Sheet sheet = read_sheet(quay, "quay.brick");
    const Sweep over{.names = {swept_name("r=3..9:3")}, .largest = Size{30, 30}};
    expect_same(drawn("sweep quay.brick --over r=3..9:3 --tile 30x30 --columns 2"),
                picture_table(sweep(sheet, over, {}), {.columns = 2}));
    const Image image = sheet.render(PixelFormat::rgb8);
    const Image part = copied(image.view().cropped({20, 10, 16, 12}));
    Rulers rulers{.first = {20, 10}, .marks = {{{30, 20}}, {{25, 12}}}};
    expect_same(drawn("grid quay.png --part 20,10,16x12 --mark 30,20 --mark 25,12 --zoom 9"),
                ruled(part, {.zoom = 9}, rulers));
    expect_same(drawn("grid - --zoom 4 < quay.png"), ruled(image, {.zoom = 4}));
    // Below a zoom of 4 there are no lines, so that all colours are those of the picture.
    expect_same(drawn("grid quay.png --zoom 1 --no-rulers"), image);
    expect_same(drawn("grid quay.png --zoom 3 --no-rulers"),
                drawn("grid quay.png --zoom 3 --no-grid --no-rulers"));
    expect_same(drawn("grid quay.png --zoom 9 --no-grid --no-rulers"),
                resized(image, {9 * image.width(), 9 * image.height()}, {.resampling = Resampling::nearest}));
    const Image outlined = drawn("grid quay.brick --zoom 8 --outlines");
    const std::int32_t left = outlined.width() - 60 * 8 - 1;
    const std::int32_t top = outlined.height() - 40 * 8 - 1;
    EXPECT_EQ(outlined.pixel({left + 24 * 8, top + 20 * 8}), Rulers().outline); // the see-through box's
    expect_same(drawn("grid --paper 200x150 --spacing 10 --no-rulers"),
                squared_paper({.size = {200, 150}, .spacing = 10, .margin = 7, .numbered = false}));
    ASSERT_EQ(run("grid --paper a4 -o a4.png").status, 0);
    EXPECT_EQ(inspect(file("a4.png")).size, (Size{2480, 3508}));
    EXPECT_NEAR(inspect(file("a4.png")).resolution->across, 300, 0.1);
}

TEST_F(Insight, InspectsPixels) {
    const json told_of =
        told("inspect quay.png --at 30,20 --at 0,0 --part 29,19,2x2 --find gold --within 2 --extent "
             "--colours 2 --histogram --json")[0];
    EXPECT_EQ(told_of["pixels"][0]["hex"], "#ff6b00");
    EXPECT_EQ(told_of["pixels"][0]["bytes"], "ff 6b 00");
    EXPECT_EQ(told_of["pixels"][0]["hsl"], "hsl(25.18, 100%, 50%)");
    EXPECT_EQ(told_of["pixels"][1]["rgb"], "rgb(0, 0, 128)");
    EXPECT_EQ(told_of["rows"][1][1], "#ff6b00");
    const Image image = load(file("quay.png"));
    EXPECT_EQ(told_of["found"]["pixels"], pixels_like(image, colour("gold"), 2).area());
    EXPECT_EQ(told_of["extent"]["width"], extent_of_content(image, colour("navy")).width);
    EXPECT_EQ(told_of["colours"], count_colours(image).colours);
    EXPECT_EQ(told_of["commonest"][0]["colour"], "#000080");
    EXPECT_EQ(told_of["histogram"]["blue"][128], histogram(image, Channel::blue)[128]);
    EXPECT_FALSE(told_of["histogram"].contains("alpha"));
    const std::string text = run("inspect quay.png --at 30,20 --part 23,13,2x1 --notation bytes --find "
                                 "'#010203' --ground navy --colours 1 "
                                 "--histogram")
                                 .output;
    for (const char* part :
         {"  30,20          #ff6b00   rgb(255, 107, 0)   hsl(25.18, 100%, 50%)   bytes ff 6b 00\n",
          "  row 13         ", "  #010203        0 pixels\n", "  extent         ", "  histogram ",
          "  colours        "})
        EXPECT_NE(text.find(part), std::string::npos) << part << '\n' << text;
}

TEST_F(Insight, ComparesImages) {
    Image other = load(file("quay.png"));
    draw(other, Box{2, 2, 3, 3}, Fill{colour("#000085")});
    draw(other, Box{40, 2, 2, 2}, Fill{colour("white")});
    save(other, file("b.png"));
    const Finished told_of = run("differ quay.png b.png");
    EXPECT_EQ(told_of.status, 1);
    EXPECT_EQ(told_of.output, "13 of 2400 pixels differ, 0.5417 %\n"
                              "  red       by 255 at most, 0.425 in the mean\n"
                              "  green     by 255 at most, 0.425 in the mean\n"
                              "  blue      by 127 at most, 0.2304 in the mean\n"
                              "  within    2,2 40 x 3\n  regions   2\n    2,2 3 x 3: 9 pixels\n"
                              "    40,2 2 x 2: 4 pixels\n");
    EXPECT_EQ(run("differ quay.png b.png --tolerance 5").status, 1);
    EXPECT_EQ(run("differ quay.png b.png --tolerance 5 --ignore 40,0,9x9").status, 0);
    const json in_json = json::parse(run("differ quay.png b.png --json --ignore 0,0,9x9").output);
    EXPECT_EQ(in_json["pixels"], 4);
    EXPECT_EQ(in_json["compared"], 2400 - 81);
    EXPECT_EQ(in_json["bounds"]["x"], 40);
    EXPECT_EQ(run("differ quay.png b.png --amplify 20 -o d.png").status, 1);
    const Image picture = load(file("d.png"));
    EXPECT_EQ(picture.pixel({2 * 72 + 12 + 2, 12 + 2}), Colour(0, 0, 100));
    EXPECT_EQ(run("differ quay.png b.png --blink -o d.gif").status, 1);
    EXPECT_EQ(inspect(file("d.gif")).frames, 2);
    save(Image({9, 9}, PixelFormat::rgb8), file("small.png"));
    const Finished sizes = run("differ quay.png small.png");
    EXPECT_EQ(sizes.status, 2);
    EXPECT_EQ(sizes.errors,
              "coldbrick: the images differ in size: quay.png has 60 x 40 pixels, small.png has 9 x 9\n");
}

TEST_F(Insight, MarksWhatTablesTell) {
    write_file(file("found.csv"), "name,kind,x,y,width,height\ntug,boat,10,12,30,20\nbuoy,mark,50,5,,\n");
    const std::string call =
        "mark quay.png --with found.csv --column caption=name --column group=kind --text-size 8";
    const MarkReading reading{.columns = {.caption = "name", .group = "kind"}, .picture = {60, 40}};
    Image wanted = load(file("quay.png"));
    draw(wanted, read_marks("found.csv", read_file(file("found.csv")), reading).marks, {.text_size = 8});
    expect_same(drawn(call), wanted);
    write_file(file("two.palette"), "#ff0000\n#00ff00\n");
    wanted = load(file("quay.png"));
    draw(wanted, read_marks("found.csv", read_file(file("found.csv")), reading).marks,
         {.colours = {colour("#ff0000"), colour("#00ff00")}, .width = 3, .text_size = 8, .legend = true});
    expect_same(drawn(call + " --legend --width 3 --palette two.palette"), wanted);

    write_file(file("bad.csv"), "x,y\n1,2\n3,z\n");
    const Finished refused = run("mark quay.png --with bad.csv -o bad.png");
    EXPECT_EQ(refused.status, 1);
    EXPECT_EQ(refused.errors, "coldbrick: bad.csv:3: \"z\" is no number for \"y\"\n");
    EXPECT_FALSE(std::filesystem::exists(file("bad.png")));
    const Finished skipped = run("mark quay.png --with bad.csv --skip-bad-rows -o bad.png");
    EXPECT_EQ(skipped.status, 0);
    EXPECT_EQ(skipped.errors, "bad.csv:3: \"z\" is no number for \"y\"\n");
    EXPECT_TRUE(std::filesystem::exists(file("bad.png")));
}

TEST_F(Insight, LooksAtPicturesInTheTerminal) {
    const Image image = load(file("quay.png"));
    EXPECT_EQ(run("look quay.png --zoom 1 --colours all").output, terminal_text(image, TerminalColours::all));
    EXPECT_EQ(run("look quay.brick --zoom 1").output, terminal_text(image, TerminalColours::none));
    EXPECT_EQ(run("look - --part 24,14,12x12 --zoom 2 --colours 256 < quay.png").output,
              terminal_text(resized(image.view().cropped({24, 14, 12, 12}), {24, 24},
                                    {.resampling = Resampling::nearest}),
                            TerminalColours::many));
    EXPECT_EQ(run("look quay.png --columns 30 --colours 16").output,
              terminal_text(resized(image, {30, 20}), TerminalColours::sixteen));
}

TEST_F(Insight, ColoursAreThoseOfTheTerminal) {
    const int terminal = ::posix_openpt(O_RDWR | O_NOCTTY);
    if (terminal < 0) GTEST_SKIP() << "there are no terminals here";
    ::close(terminal);
    const std::string on_terminal = "look quay.png --columns 4' /dev/null";
    const auto in_terminal = [&](const std::string& environment) {
        return run_command("cd " + std::filesystem::path(file("x")).parent_path().string() + " && " +
                           environment + " script -qec '" + tool + " " + on_terminal)
            .output;
    };
    EXPECT_NE(in_terminal("TERM=xterm COLORTERM=truecolor").find("38;2;"), std::string::npos);
    EXPECT_NE(in_terminal("TERM=xterm-256color COLORTERM=").find("38;5;"), std::string::npos);
    EXPECT_EQ(in_terminal("TERM=xterm NO_COLOR=1").find('\x1b'), std::string::npos);
}

namespace {

/// The tool in the background, ended with the object.
class Background {
  public:
    Background(const std::string& folder, const std::string& arguments) {
        const std::string line = "cd " + folder + " && exec " + tool + " " + arguments + " 2>errors.txt";
        const char* const words[] = {"sh", "-c", line.c_str(), nullptr};
        EXPECT_EQ(::posix_spawn(&process_, "/bin/sh", nullptr, nullptr, const_cast<char**>(words), environ),
                  0);
    }
    Background(const Background&) = delete;
    Background& operator=(const Background&) = delete;
    ~Background() {
        ::kill(process_, SIGTERM);
        int status = 0;
        ::waitpid(process_, &status, 0);
    }

  private:
    pid_t process_ = 0;
};

/// Whether something comes to hold within ten seconds.
template <class Holds>
bool comes_to(const Holds& holds) {
    for (int i = 0; i < 1000; ++i) {
        if (holds()) return true;
        std::this_thread::sleep_for(std::chrono::milliseconds(10));
    }
    return false;
}

} // namespace

TEST_F(Insight, DrawsAgainWhenAFileChanges) {
    const auto shows = [&](const char* wanted) {
        return comes_to([&] {
            return std::filesystem::exists(file("a.png")) &&
                   load(file("a.png")).pixel({5, 5}) == colour(wanted);
        });
    };
    const auto told_of = [&](const char* message) {
        return comes_to([&] { return read_file(file("errors.txt")).find(message) != std::string::npos; });
    };
    write_file(file("watched.brick"), "sheet 9 x 9 on red\n");
    const Background watching(std::filesystem::path(file("a")).parent_path().string(),
                              "draw watched.brick --watch -o a.png");
    EXPECT_TRUE(shows("red"));
    write_file(file("watched.brick"), "sheet 9 x 9 on blue\n");
    EXPECT_TRUE(shows("blue"));
    write_file(file("watched.brick"), "sheet 9 x 9 on bleu\n");
    EXPECT_TRUE(told_of("did you mean \"blue\"?"));
    // As editors do that write a new file and put it into the old one's place.
    write_file(file("new.brick"), "sheet 9 x 9 on white\ninclude \"part.brick\"\n");
    std::filesystem::rename(file("new.brick"), file("watched.brick"));
    EXPECT_TRUE(told_of("part.brick"));
    write_file(file("part.brick"), "let tint = green\nbox (0, 0) size 9 x 9 fill tint\n");
    EXPECT_TRUE(shows("green"));
    write_file(file("part.brick"), "let tint = gold\nbox (0, 0) size 9 x 9 fill tint\n");
    EXPECT_TRUE(shows("gold"));
    // A folder that is made again is another one.
    const std::string part = "box (0, 0) size 9 x 9 fill ";
    std::filesystem::create_directory(file("marks"));
    write_file(file("marks/part.brick"), part + "teal\n");
    write_file(file("watched.brick"), "sheet 9 x 9 on white\ninclude \"marks/part.brick\"\n");
    EXPECT_TRUE(shows("teal"));
    std::filesystem::rename(file("marks"), file("old"));
    EXPECT_TRUE(told_of("marks/part.brick: No such file"));
    std::filesystem::create_directory(file("marks"));
    write_file(file("marks/part.brick"), part + "navy\n");
    EXPECT_TRUE(shows("navy"));
    std::filesystem::remove_all(file("marks"));
    std::filesystem::create_directory(file("marks"));
    write_file(file("marks/part.brick"), part + "red\n");
    EXPECT_TRUE(shows("red"));
}

} // namespace coldbrick::test
