/** What the views of all stations share: what a view is, the list of findings, signs for states. */
@org.jspecify.annotations.NullMarked
package unimotus.desktop.station;
