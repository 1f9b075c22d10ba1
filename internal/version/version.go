// Package version says which Cuerda this is.
package version

// Number is the version, by semver.org: what changed in each stands in CHANGELOG.md, and a test holds the two to each
// other.
const Number = "0.39.0"
