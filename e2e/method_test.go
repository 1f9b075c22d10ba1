package e2e

import (
	"net/http"
	"testing"

	"github.com/stretchr/testify/assert"

	"cuerda/core/physics/method"
	"cuerda/core/physics/parameter"
	"cuerda/internal/demo/demotest"
)

// A way of cooking is one row: made up here, it is offered on the Bench in both languages, its minutes are worked out,
// and the build is kept with it. It runs before the tests that run beside each other, which know nothing of it.
func TestAWayOfCookingIsOneRow(t *testing.T) {
	remove := method.Add(method.Row{
		Method: "steam", Names: map[string]string{"en": "in a steamer", "es": "al vapor"},
		Medium: method.Water, Celsius: 98,
		Transfer: method.Transfer{Round: method.Face{Of: method.Liquid}, Around: method.Face{Of: method.Liquid}},
		Ware:     method.Pot,
		Patty:    func(h *parameter.Handling) float64 { return h.PattyOven }, PattyTurned: func(h *parameter.Handling) float64 { return h.PattyOven },
		Ball: func(h *parameter.Handling) float64 { return h.BallOven }, JudgedSimmer: true,
	})
	defer remove()
	s, kitchen := demotest.Open(t)
	a := serve(t, s, kitchen, func(h http.Handler) http.Handler { return h })
	b, id := a.person(), a.build(peas)
	w := a.open(b, "/bench/"+id)
	w.see(`.piece option[value="steam"]`)
	w.see(".heat-facts")
	fried := w.words(".cord")
	w.see(`.piece select:has(option[value="steam"])`).MustSelect("in a steamer")
	w.status("saved")
	until(t, func() bool { return w.words(".cord") != fried }, func() string { return "the minutes stay those of the pan: " + fried })
	w.eventually(".heat-facts figcaption", "pot")
	w.see(".bath-water")
	other := a.openAs(b, "/bench/"+id, "es-ES", 390, 844)
	other.MustEval(`() => localStorage.setItem("cuerda.language", "es")`)
	other.MustReload().MustWaitLoad()
	other.see(".verdict")
	assert.Equal(t, "al vapor", other.MustEval(`() => document.querySelector('.piece option[value="steam"]').textContent`).Str())
}
