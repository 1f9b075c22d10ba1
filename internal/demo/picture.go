package demo

import (
	"bytes"
	"image"
	"image/color"
	"image/draw"
	"image/jpeg"
	"math"
	"math/rand/v2"
	"slices"

	"golang.org/x/image/vector"

	"cuerda/core/document"
	"cuerda/core/learn/logbook"
	"cuerda/core/physics/method"
	"cuerda/core/physics/piece"
	"cuerda/internal/photos"
)

// The pictures of the demonstration are drawn, not taken: what came off the heat, from above.
const (
	pictureWidth, pictureHeight = 960, 720
	pictureQuality              = 82
)

// drawPicture paints pieces in a pan, on a tray or in a dish, as many broken as broke.
func drawPicture(d *document.Document, f *logbook.Found, seed uint64) (*photos.Picture, error) {
	r := rand.New(rand.NewPCG(seed, 3))
	p := painter{image.NewRGBA(image.Rect(0, 0, pictureWidth, pictureHeight)), r}
	draw.Draw(p.on, p.on.Bounds(), image.NewUniform(color.RGBA{0xea, 0xde, 0xc9, 0xff}), image.Point{}, draw.Src)
	by, _ := d.MethodAndTurn()
	if by.Row().Ware == method.Tray {
		p.box(90, 70, pictureWidth-90, pictureHeight-70, 30, color.RGBA{0x6a, 0x62, 0x5a, 0xff})
		p.box(112, 92, pictureWidth-112, pictureHeight-92, 18, color.RGBA{0xe9, 0xe2, 0xd2, 0xff})
	} else {
		p.disc(480, 360, 318, color.RGBA{0x4a, 0x45, 0x40, 0xff})
		p.disc(480, 360, 292, color.RGBA{0x5b, 0x55, 0x4e, 0xff})
	}
	kind := d.PieceOrDefault().Kind
	c, _ := f.Both()
	if kind.IsLoaf() {
		p.loaf(c.Held < c.Of)
	} else {
		p.pieces(kind, max(1, min(c.Of, 9)), int(math.Round(float64(c.Of-c.Held)/math.Max(1, float64(c.Of))*float64(min(c.Of, 9)))))
	}
	var out bytes.Buffer
	if err := jpeg.Encode(&out, p.on, &jpeg.Options{Quality: pictureQuality}); err != nil {
		return nil, err
	}
	return &photos.Picture{MediaType: "image/jpeg", Width: pictureWidth, Height: pictureHeight, Data: out.Bytes()}, nil
}

type painter struct {
	on *image.RGBA
	r  *rand.Rand
}

// fill paints a closed line; only about where it is.
func (p *painter) fill(c color.Color, line [][2]float64) {
	box := image.Rectangle{Min: image.Pt(pictureWidth, pictureHeight)}
	for _, q := range line {
		box.Min = image.Pt(min(box.Min.X, int(q[0])-1), min(box.Min.Y, int(q[1])-1))
		box.Max = image.Pt(max(box.Max.X, int(q[0])+2), max(box.Max.Y, int(q[1])+2))
	}
	if box = box.Intersect(p.on.Bounds()); box.Empty() {
		return
	}
	v := vector.NewRasterizer(box.Dx(), box.Dy())
	at := func(q [2]float64) (x, y float32) {
		return float32(q[0]) - float32(box.Min.X), float32(q[1]) - float32(box.Min.Y)
	}
	v.MoveTo(at(line[0]))
	for _, q := range line[1:] {
		v.LineTo(at(q))
	}
	v.ClosePath()
	v.Draw(p.on, box, image.NewUniform(c), image.Point{})
}

// blob is a closed line about a place, uneven by that share of its radius.
func (p *painter) blob(x, y, rx, ry, uneven float64, c color.Color) {
	const corners = 48
	a, b := p.r.Float64()*6, p.r.Float64()*6
	line := make([][2]float64, corners)
	for i := range line {
		t := 2 * math.Pi * float64(i) / corners
		k := 1 + uneven*(math.Sin(3*t+a)+.6*math.Sin(5*t+b))
		line[i] = [2]float64{x + rx*k*math.Cos(t), y + ry*k*math.Sin(t)}
	}
	p.fill(c, line)
}

func (p *painter) disc(x, y, radius float64, c color.Color) { p.blob(x, y, radius, radius, 0, c) }

// box has round corners.
func (p *painter) box(x0, y0, x1, y1, round float64, c color.Color) {
	const steps = 8
	var line [][2]float64
	for i, corner := range [][2]float64{{x1 - round, y1 - round}, {x0 + round, y1 - round}, {x0 + round, y0 + round}, {x1 - round, y0 + round}} {
		for s := range steps + 1 {
			t := math.Pi / 2 * (float64(i) + float64(s)/steps)
			line = append(line, [2]float64{corner[0] + round*math.Cos(t), corner[1] + round*math.Sin(t)})
		}
	}
	p.fill(c, line)
}

var (
	crust  = color.RGBA{0xb8, 0x7a, 0x35, 0xff}
	lit    = color.RGBA{0xcd, 0x96, 0x4e, 0xff}
	inside = color.RGBA{0xd9, 0xbd, 0x8a, 0xff}
	crack  = color.RGBA{0x4e, 0x30, 0x16, 0xff}
)

// line is a crooked stroke.
func (p *painter) line(x0, y0, x1, y1, width float64, c color.Color) {
	dx, dy := x1-x0, y1-y0
	l := math.Hypot(dx, dy)
	nx, ny := -dy/l*width/2, dx/l*width/2
	const parts = 6
	points := make([][2]float64, parts+1)
	for i := range points {
		t, off := float64(i)/parts, width*1.6*(p.r.Float64()-.5)
		points[i] = [2]float64{x0 + t*dx + off*-dy/l, y0 + t*dy + off*dx/l}
	}
	var outline [][2]float64
	for _, q := range points {
		outline = append(outline, [2]float64{q[0] + nx, q[1] + ny})
	}
	for _, q := range slices.Backward(points) {
		outline = append(outline, [2]float64{q[0] - nx, q[1] - ny})
	}
	p.fill(c, outline)
}

func (p *painter) pieces(kind piece.Kind, count, broken int) {
	columns := int(math.Ceil(math.Sqrt(float64(count))))
	rows := (count + columns - 1) / columns
	step := 380 / float64(max(columns, rows))
	radius := .4 * step
	if kind == piece.Ball || kind == piece.Fritter {
		radius = .34 * step
	}
	for i := range count {
		x := 480 + (float64(i%columns)-float64(columns-1)/2)*step + 6*p.r.NormFloat64()
		y := 360 + (float64(i/columns)-float64(rows-1)/2)*step + 6*p.r.NormFloat64()
		rx, ry := radius, radius
		if kind == piece.Cylinder {
			rx, ry = radius*1.15, radius*.45
		}
		p.blob(x+4, y+6, rx, ry, .02, color.RGBA{0, 0, 0, 50})
		p.blob(x, y, rx, ry, .025, crust)
		p.blob(x-rx*.08, y-ry*.1, rx*.78, ry*.76, .03, lit)
		for range 9 {
			a, k := p.r.Float64()*2*math.Pi, .75*math.Sqrt(p.r.Float64())
			p.disc(x+rx*k*math.Cos(a), y+ry*k*math.Sin(a), 2+3*p.r.Float64(), color.RGBA{0x9a, 0x63, 0x28, 0xff})
		}
		if i < broken {
			a := p.r.Float64() * 2 * math.Pi
			p.line(x-rx*math.Cos(a), y-ry*math.Sin(a), x+.5*rx*math.Cos(a+.5), y+.5*ry*math.Sin(a+.5), 7, crack)
			p.line(x, y, x+.8*rx*math.Cos(a+2), y+.8*ry*math.Sin(a+2), 5, crack)
			p.blob(x+1.15*rx*math.Cos(a), y+1.15*ry*math.Sin(a), rx*.2, ry*.17, .12, inside)
			p.blob(x+1.35*rx*math.Cos(a+.3), y+1.3*ry*math.Sin(a+.3), rx*.1, ry*.1, .15, inside)
		}
	}
}

func (p *painter) loaf(broken bool) {
	p.box(170, 250, 560, 480, 46, crust)
	p.box(190, 266, 545, 450, 40, lit)
	for i := range 3 {
		x := 600 + 62*float64(i)
		p.blob(x, 365, 26, 112, .015, crust)
		p.blob(x+3, 365, 19, 101, .02, inside)
		if broken {
			p.line(x, 280+20*float64(i), x+6, 440, 6, crack)
			p.blob(x+8, 492, 12, 8, .2, inside)
			p.blob(x-18, 500, 7, 6, .2, inside)
		}
	}
}
