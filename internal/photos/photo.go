// Package photos makes pictures fit to keep: turned upright, no larger than a screen shows, and
// without what cameras write into them of where, when and by whom they were taken.
package photos

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"fmt"
	"image"
	"image/jpeg"
	_ "image/png" // decodes
	"io"

	"golang.org/x/image/draw"
)

// Longest is the longest side that is kept, px.
const Longest = 2000

// mostMemory is how much a picture may take while it is decoded, bytes.
const mostMemory = 96 << 20

// quality is that of what is kept.
const quality = 82

// ErrTooLarge is that of a picture with more points than are decoded, ErrUnreadable of what is
// none, or none that is read.
var (
	ErrTooLarge   = errors.New("more points than are read")
	ErrUnreadable = errors.New("no picture that is read")
)

// Picture is one that is fit to keep.
type Picture struct {
	MediaType     string
	Width, Height int
	Data          []byte
}

// whilst is a reader that ends with its context, so that nobody decodes for a client who has left.
type whilst struct {
	io.Reader
	done context.Context
}

func (w whilst) Read(b []byte) (int, error) {
	if err := w.done.Err(); err != nil {
		return 0, err
	}
	return w.Reader.Read(b[:min(len(b), 32<<10)])
}

// Read makes a picture fit to keep of what a camera sent. How much memory it takes is known of its head before any of
// it is decoded. It ends with ctx.
func Read(ctx context.Context, data []byte) (*Picture, error) {
	config, format, err := image.DecodeConfig(bytes.NewReader(data))
	if err != nil {
		return nil, fmt.Errorf("%w: %w", ErrUnreadable, err)
	}
	if config.Width <= 0 || config.Height <= 0 || float64(config.Width)*float64(config.Height)*bytesAPoint(data, format, config.ColorModel) > mostMemory {
		return nil, ErrTooLarge
	}
	from, _, err := image.Decode(whilst{bytes.NewReader(data), ctx})
	if ctx.Err() != nil {
		return nil, ctx.Err()
	}
	if err != nil {
		return nil, fmt.Errorf("%w: %w", ErrUnreadable, err)
	}
	small := fit(from)
	upright := turned(small, orientation(data))
	var out bytes.Buffer
	if err := jpeg.Encode(&out, upright, &jpeg.Options{Quality: quality}); err != nil {
		return nil, err
	}
	size := upright.Bounds()
	return &Picture{"image/jpeg", size.Dx(), size.Dy(), out.Bytes()}, nil
}

// Kept reads a picture that was fit to keep before, as it is in a backup: its bytes stay. Any other is
// made fit anew: one that holds anything but the picture itself (of where and by whom it was taken, in whichever form) is
// no longer as it was kept.
func Kept(data []byte) (*Picture, error) {
	config, format, err := image.DecodeConfig(bytes.NewReader(data))
	if err != nil || format != "jpeg" || max(config.Width, config.Height) > Longest || !bare(data) {
		return Read(context.Background(), data)
	}
	if _, err := jpeg.Decode(bytes.NewReader(data)); err != nil {
		return nil, fmt.Errorf("%w: %w", ErrUnreadable, err)
	}
	return &Picture{"image/jpeg", config.Width, config.Height, data}, nil
}

// exif begins what cameras write of a picture.
var exif = []byte("Exif\x00\x00")

// fit is the picture with no side longer than Longest, on white where it is transparent.
func fit(from image.Image) *image.RGBA {
	b := from.Bounds()
	w, h := b.Dx(), b.Dy()
	if longest := max(w, h); longest > Longest {
		w, h = max(1, w*Longest/longest), max(1, h*Longest/longest)
	}
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	draw.Draw(out, out.Bounds(), image.White, image.Point{}, draw.Src)
	draw.ApproxBiLinear.Scale(out, out.Bounds(), from, b, draw.Over, nil)
	return out
}

// turned is the picture as its orientation says it is to be seen: 1 as it is, 2 to 8 mirrored or
// turned (Exif 2.32, tag 0x0112).
func turned(from *image.RGBA, orientation int) *image.RGBA {
	if orientation < 2 || orientation > 8 {
		return from
	}
	b := from.Bounds()
	w, h := b.Dx(), b.Dy()
	size := image.Rect(0, 0, w, h)
	if orientation >= 5 {
		size = image.Rect(0, 0, h, w)
	}
	out := image.NewRGBA(size)
	for y := range h {
		for x := range w {
			at := [...]image.Point{
				2: {w - 1 - x, y}, 3: {w - 1 - x, h - 1 - y}, 4: {x, h - 1 - y},
				5: {y, x}, 6: {h - 1 - y, x}, 7: {h - 1 - y, w - 1 - x}, 8: {y, w - 1 - x},
			}[orientation]
			out.SetRGBA(at.X, at.Y, from.RGBAAt(x, y))
		}
	}
	return out
}

// orientation reads how a JPEG is to be turned; 1 where it does not say.
func orientation(data []byte) int {
	if len(data) < 4 || data[0] != 0xFF || data[1] != 0xD8 {
		return 1
	}
	for at := 2; at+4 <= len(data) && data[at] == 0xFF; {
		kind, size := data[at+1], int(binary.BigEndian.Uint16(data[at+2:]))
		end := at + 2 + size
		if kind == 0xDA || size < 2 || end > len(data) {
			return 1
		}
		if kind == 0xE1 && size > 8 && bytes.HasPrefix(data[at+4:end], exif) {
			return ofTIFF(data[at+10 : end])
		}
		at = end
	}
	return 1
}

func ofTIFF(t []byte) int {
	if len(t) < 8 {
		return 1
	}
	var order binary.ByteOrder = binary.LittleEndian
	if t[0] == 'M' {
		order = binary.BigEndian
	}
	at := int(order.Uint32(t[4:]))
	if at < 8 || at+2 > len(t) {
		return 1
	}
	for n := range int(order.Uint16(t[at:])) {
		entry := at + 2 + 12*n
		if entry+12 > len(t) {
			return 1
		}
		if order.Uint16(t[entry:]) == 0x0112 {
			return int(order.Uint16(t[entry+8:]))
		}
	}
	return 1
}
