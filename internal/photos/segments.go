package photos

import (
	"encoding/binary"
	"image/color"
)

// The markers of a JPEG (ITU-T T.81, table B.1).
const (
	markStart       = 0xD8
	markEnd         = 0xD9
	markScan        = 0xDA
	markQuantise    = 0xDB
	markHuffman     = 0xC4
	markRestart     = 0xDD
	markJFIF        = 0xE0
	markBaseline    = 0xC0
	markExtended    = 0xC1
	markProgressive = 0xC2
)

// segments gives the parts of a JPEG before its scan, until each says to stop. whole is false where they end in the middle.
func segments(data []byte, each func(mark byte, body []byte) bool) (whole bool) {
	if len(data) < 4 || data[0] != 0xFF || data[1] != markStart {
		return false
	}
	for at := 2; at+4 <= len(data) && data[at] == 0xFF; {
		mark, size := data[at+1], int(binary.BigEndian.Uint16(data[at+2:]))
		end := at + 2 + size
		if size < 2 || end > len(data) {
			return false
		}
		if !each(mark, data[at+4:end]) {
			return true
		}
		if mark == markScan {
			return true
		}
		at = end
	}
	return false
}

// bytesAPoint is how much memory a point takes while a picture is decoded. A progressive JPEG keeps all of its coefficients,
// 4 bytes each, until its last scan.
func bytesAPoint(data []byte, format string, model color.Model) float64 {
	if format == "jpeg" {
		out := 15.
		segments(data, func(mark byte, body []byte) bool {
			if mark != markBaseline && mark != markExtended && mark != markProgressive || len(body) < 6 {
				return true
			}
			values, most := 0., 1.
			for i := range int(body[5]) {
				if 7+3*i < len(body) {
					area := float64(body[7+3*i]>>4) * float64(body[7+3*i]&15)
					values, most = values+area, max(most, area)
				}
			}
			out = max(1, values/most)
			if mark == markProgressive {
				out *= 5
			}
			return false
		})
		return out
	}
	out := 4.
	switch model {
	case color.RGBA64Model, color.NRGBA64Model:
		out = 8
	case color.Gray16Model:
		out = 2
	}
	if len(data) > interlaced && data[interlaced] != 0 {
		out *= 2 // each pass is an image of its own, beside the whole
	}
	return out
}

// interlaced is where a PNG says whether it comes in passes (its head, ISO 15948, 11.2.2).
const interlaced = 28

// bare says whether a JPEG holds nothing but the picture: no text of a camera or a program, and nothing after its end.
func bare(data []byte) bool {
	only := true
	whole := segments(data, func(mark byte, body []byte) bool {
		switch mark {
		case markQuantise, markHuffman, markRestart, markBaseline, markExtended, markScan:
		case markJFIF:
			only = only && len(body) == 14 // without a thumbnail
		default:
			only = false
		}
		return only
	})
	n := len(data)
	return whole && only && n >= 2 && data[n-2] == 0xFF && data[n-1] == markEnd
}
