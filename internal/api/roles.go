package api

import (
	"net/http"
	"slices"

	"cuerda/internal/principal"
)

// may says who may do an operation. Where an operation is not named here, a reading one is for every member and the others
// are for those who cook; those that are beside kitchens are named in open or are for whoever signed in.
var (
	// lookers are operations that compute from what is sent and change nothing.
	lookers = []string{
		"predict", "bind", "compose", "mend", "schools", "bake", "lookOut", "explain", "fit", "fitPart", "startPart", "lookAtDish", "planPatties", "plan",
		"reshape", "scale", "readRecipe", "readSide", "lookAtSupper", "lookPast",
	}
	// stoves are operations of a device at the stove: it follows cookings and taps in them.
	stoves = []string{"getMe", "getKitchen", "listCourses", "getCourse", "actOnCourse", "lookPast", "listFoods", "getPhoto", "listCourseEvents"}
	// withNames are copies that hold names and words of guests.
	withNames = []string{"packKitchen", "exportTries", "exportPractice", "exportSupper"}
	// owners are operations on who may come in, and on whether the kitchen stays.
	owners = []string{
		"setMember", "removeMember", "invite", "listInvitations", "endInvitation", "listDevices", "openPairing", "endDevice", "readJournal", "eraseKitchen", "restoreKitchen", "putAwayKitchen", "giveTries",
	}
	// open are operations beside kitchens that need nobody to have signed in.
	open = []string{"getHealth", "getReady", "getVocabulary", "listShelf", "signIn", "signOut", "beginPasskeySignIn", "signInByPasskey", "lookAtInvitation", "acceptInvitation", "pair", "followLink", "sendReadings", "whatToMeasure", "openapi"}
	// proved are operations before which it is asked again who it is.
	proved = []string{"setMember", "removeMember", "invite", "openPairing", "endDevice", "eraseKitchen", "setPassphrase", "makeRecoveryCodes", "beginPasskey", "addPasskey", "removePasskey", "eraseAccount"}
)

// least is the role that an operation asks for; "" for none.
func least(method, operation string, ofKitchen bool) principal.Role {
	switch {
	case !ofKitchen && slices.Contains(open, operation):
		return ""
	case slices.Contains(stoves, operation):
		return principal.Stove
	case slices.Contains(owners, operation):
		return principal.Owner
	case slices.Contains(withNames, operation):
		return principal.Cook
	case slices.Contains(lookers, operation), operation == "leaveKitchen", method == http.MethodGet, !ofKitchen:
		return principal.Guest
	}
	return principal.Cook
}

// mayDo says whether a role is enough for an operation that asks for at least another. What a stove may do guests may too,
// but for tapping; a stove may do nothing that asks for more.
func mayDo(role, least principal.Role, operation string) bool {
	switch least {
	case "":
		return true
	case principal.Stove:
		if role == principal.Guest {
			return operation != "actOnCourse"
		}
		return role != ""
	case principal.Guest:
		return role == principal.Guest || role == principal.Cook || role == principal.Owner
	case principal.Cook:
		return role == principal.Cook || role == principal.Owner
	}
	return role == principal.Owner
}

func isProved(operation string) bool { return slices.Contains(proved, operation) }
