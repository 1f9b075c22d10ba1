package heat

// Budget bounds what following a piece may cost, in cells of a disc times steps, over all the ways
// that are tried of it. At its end the piece is followed no further: it has not come to
// what was waited for. The zero value is a whole budget; it is for one computation at a
// time.
type Budget struct {
	// Done ends it at once when it is closed: nobody waits for the answer any more.
	Done <-chan struct{}
	// Most is how much may be spent; a whole budget where it is 0.
	Most  float64
	spent float64
}

// wholeBudget is more than the dearest piece that somebody cooks takes (a loaf in little
// oil, turned), and ten times what most do: a fifth of a second.
const wholeBudget = 1.8e6

// coldBudget is what a chill may cost beside it: a patty takes some thousand, what nobody
// shapes ends where it has come to.
const coldBudget = 2e5

// spend takes a step of so many cells from it. A cell costs by the axes that heat goes along in
// it: of a brick half as much again as of a disc.
func (b *Budget) spend(cells, axes int) { b.spent += float64(cells*axes) / 2 }

// Spent says whether it is at its end.
func (b *Budget) Spent() bool {
	select {
	case <-b.Done:
		return true
	default:
		most := b.Most
		if most == 0 {
			most = wholeBudget
		}
		return b.spent > most
	}
}
