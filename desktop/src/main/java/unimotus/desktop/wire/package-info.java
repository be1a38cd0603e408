/**
 * The station Wire: the board of terminals and wires, live as outputs are toggled; the table of
 * what every input sees; the schedule; and a meter.
 *
 * <p>{@link unimotus.desktop.wire.WireView} is the station, {@code WireBench} what is commanded,
 * broken and measured there, {@code BoardLayout} where things lie.
 */
@org.jspecify.annotations.NullMarked
package unimotus.desktop.wire;
