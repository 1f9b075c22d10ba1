package photos_test

import (
	"bytes"
	"context"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"testing"

	"github.com/stretchr/testify/assert"
	"github.com/stretchr/testify/require"

	"cuerda/internal/photos"
)

// drawn is a picture that is red above and blue below.
func drawn(w, h int) image.Image {
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := color.RGBA{200, 20, 20, 255}
			if y >= h/2 {
				c = color.RGBA{20, 20, 200, 255}
			}
			out.SetRGBA(x, y, c)
		}
	}
	return out
}

// shot is it as a camera writes it that was held so, with where it was taken.
func shot(t *testing.T, w, h, orientation int) []byte {
	var plain bytes.Buffer
	require.NoError(t, jpeg.Encode(&plain, drawn(w, h), nil))
	exif := []byte("Exif\x00\x00MM\x00\x2a\x00\x00\x00\x08\x00\x02")
	entry := func(tag, kind uint16, count uint32, value uint32) {
		exif = binary.BigEndian.AppendUint16(exif, tag)
		exif = binary.BigEndian.AppendUint16(exif, kind)
		exif = binary.BigEndian.AppendUint32(exif, count)
		exif = binary.BigEndian.AppendUint32(exif, value)
	}
	entry(0x0112, 3, 1, uint32(orientation)<<16)
	entry(0x8825, 4, 1, 0) // where
	exif = append(exif, "\x00\x00\x00\x00SALTMARSH"...)
	out := []byte{0xFF, 0xD8, 0xFF, 0xE1}
	out = binary.BigEndian.AppendUint16(out, uint16(len(exif)+2))
	out = append(out, exif...)
	return append(out, plain.Bytes()[2:]...)
}

func TestAPhotoIsUprightAndSaysNothingOfWhere(t *testing.T) {
	got, err := photos.Read(t.Context(), shot(t, 320, 200, 6))
	require.NoError(t, err)
	assert.Equal(t, []int{200, 320}, []int{got.Width, got.Height}, "turned by a quarter")
	assert.NotContains(t, string(got.Data), "Exif")
	assert.NotContains(t, string(got.Data), "SALTMARSH")
	back, err := jpeg.Decode(bytes.NewReader(got.Data))
	require.NoError(t, err)
	red, _, blue, _ := back.At(190, 160).RGBA()
	assert.Greater(t, red, blue, "what was above is at the right")
	for o := 1; o <= 8; o++ {
		got, err := photos.Read(t.Context(), shot(t, 64, 48, o))
		require.NoError(t, err)
		assert.Equal(t, o >= 5, got.Height > got.Width, "%d", o)
	}
}

// What was kept once is kept as it is: a backup restores to the byte.
func TestAPhotoOfABackupStaysAsItIs(t *testing.T) {
	made, err := photos.Read(t.Context(), shot(t, 320, 200, 6))
	require.NoError(t, err)
	again, err := photos.Kept(made.Data)
	require.NoError(t, err)
	assert.Equal(t, made, again)
	straight, err := photos.Kept(shot(t, 320, 200, 6))
	require.NoError(t, err)
	assert.NotContains(t, string(straight.Data), "Exif", "what a camera wrote is not")
	// Nor is what a program wrote in another form (XMP), nor what somebody put behind the picture.
	segment := func(mark byte, text string) []byte {
		out := append([]byte{0xFF, 0xD8, 0xFF, mark}, binary.BigEndian.AppendUint16(nil, uint16(len(text)+2))...)
		return append(append(out, text...), made.Data[2:]...)
	}
	for name, data := range map[string][]byte{
		"XMP": segment(0xE1, "http://ns.adobe.com/xap/1.0/\x00<x:GPSLatitude>SALTMARSH</x>"), "IPTC": segment(0xED, "Photoshop 3.0\x00SALTMARSH"),
		"a comment": segment(0xFE, "SALTMARSH"), "behind": append(bytes.Clone(made.Data), "SALTMARSH"...),
	} {
		clean, err := photos.Kept(data)
		require.NoError(t, err, name)
		assert.NotContains(t, string(clean.Data), "SALTMARSH", name)
	}
	_, err = photos.Kept([]byte("none"))
	assert.ErrorIs(t, err, photos.ErrUnreadable)
}

func TestAPhotoIsNoLargerThanAScreenShows(t *testing.T) {
	var large bytes.Buffer
	require.NoError(t, png.Encode(&large, drawn(4100, 1000)))
	got, err := photos.Read(t.Context(), large.Bytes())
	require.NoError(t, err)
	assert.Equal(t, []int{photos.Longest, 487}, []int{got.Width, got.Height})
}

func TestWhatIsNoPictureIsRefused(t *testing.T) {
	whole := shot(t, 64, 48, 1)
	for name, data := range map[string][]byte{"nothing": nil, "words": []byte("a photo"), "half": whole[:len(whole)/2], "markup": []byte("<svg/>")} {
		_, err := photos.Read(t.Context(), data)
		assert.ErrorIs(t, err, photos.ErrUnreadable, name)
	}
	// A header alone that claims more than anybody would decode.
	var bomb bytes.Buffer
	require.NoError(t, png.Encode(&bomb, image.NewGray(image.Rect(0, 0, 1, 1))))
	data := bomb.Bytes()
	binary.BigEndian.PutUint32(data[16:], 90_000)
	binary.BigEndian.PutUint32(data[20:], 90_000)
	for deep, at := range map[byte]uint32{8: 90_000, 16: 7745} { // 7745 x 7745 at 16 bit would be 480 MB
		binary.BigEndian.PutUint32(data[16:], at)
		binary.BigEndian.PutUint32(data[20:], at)
		data[24], data[25] = deep, 6
		binary.BigEndian.PutUint32(data[29:], crc32.ChecksumIEEE(data[12:29]))
		_, err := photos.Read(t.Context(), data)
		assert.ErrorIs(t, err, photos.ErrTooLarge)
	}
	// Nobody decodes for who has left.
	gone, leaves := context.WithCancel(t.Context())
	leaves()
	_, err := photos.Read(gone, whole)
	assert.ErrorIs(t, err, context.Canceled)
}

func FuzzRead(f *testing.F) {
	var plain bytes.Buffer
	_ = jpeg.Encode(&plain, drawn(8, 8), nil)
	f.Add(plain.Bytes())
	f.Fuzz(func(t *testing.T, data []byte) {
		if got, err := photos.Read(t.Context(), data); err == nil {
			assert.LessOrEqual(t, max(got.Width, got.Height), photos.Longest)
		}
	})
}
