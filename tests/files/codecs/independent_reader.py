"""Reads BMP and QOI files with Python's standard library alone, and writes them as PAM.

usage: independent_reader.py FILE.bmp|FILE.qoi OUT.pam"""
import struct
import sys


def read_bmp(data):
    pixels_at, header, width, height, _, bits, packing = struct.unpack_from("<10xIIiiHHI", data, 0)
    assert data[:2] == b"BM" and header in (40, 108) and height > 0, "an unexpected header"
    channels = bits // 8
    assert (channels, packing) in ((3, 0), (4, 3)), "an unexpected format"
    stride = (width * channels + 3) // 4 * 4
    rows = []
    for y in reversed(range(height)):
        row = data[pixels_at + y * stride:][:width * channels]
        for x in range(0, len(row), channels):
            blue, green, red, *alpha = row[x:x + channels]
            rows.append(bytes([red, green, blue, *alpha]))
    return width, height, channels, b"".join(rows)


def read_qoi(data):
    magic, width, height, channels, _ = struct.unpack_from(">4sIIBB", data)
    assert magic == b"qoif"
    seen = [(0, 0, 0, 0)] * 64
    pixel = (0, 0, 0, 255)
    out = []
    at = 14
    while len(out) < width * height:
        tag = data[at]
        at += 1
        count = 1
        if tag >= 254:
            size = tag - 251
            pixel = tuple(data[at:at + size]) + pixel[size:]
            at += size
        elif tag < 64:
            pixel = seen[tag]
        elif tag < 128:
            change = [(tag >> shift & 3) - 2 for shift in (4, 2, 0)]
            pixel = tuple((c + d) % 256 for c, d in zip(pixel, change)) + pixel[3:]
        elif tag < 192:
            green = tag - 128 - 32
            change = [green - 8 + (data[at] >> 4), green, green - 8 + (data[at] & 15)]
            at += 1
            pixel = tuple((c + d) % 256 for c, d in zip(pixel, change)) + pixel[3:]
        else:
            count = tag - 191
        seen[sum(c * w for c, w in zip(pixel, (3, 5, 7, 11))) % 64] = pixel
        out.extend([bytes(pixel[:channels])] * count)
    assert data[at:] == bytes(7) + b"\1", "the end mark is missing"
    return width, height, channels, b"".join(out)


def main():
    data = open(sys.argv[1], "rb").read()
    width, height, channels, pixels = read_bmp(data) if data[:2] == b"BM" else read_qoi(data)
    kind = {3: "RGB", 4: "RGB_ALPHA"}[channels]
    header = f"P7\nWIDTH {width}\nHEIGHT {height}\nDEPTH {channels}\nMAXVAL 255\nTUPLTYPE {kind}\nENDHDR\n"
    open(sys.argv[2], "wb").write(header.encode() + pixels)


main()
