package unimotus.core.machine;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * A measurement to be made on the wires: where the meter is held, and in which commanded state.
 *
 * @param id stable id
 * @param axis id of the axis it proves
 * @param measures what the meter is set to
 * @param red where the red probe is held; null for a current
 * @param black where the black probe is held; null for a current
 * @param wire the wire the meter is put into; null for voltage and continuity
 * @param on outputs commanded on
 * @param signals analog outputs by {@code device:terminal}, in volts, milliamps or percent
 * @param positions positions of switches and states of drives by device id
 */
public record Probe(
    String id,
    String axis,
    Quantity measures,
    @Nullable TerminalRef red,
    @Nullable TerminalRef black,
    @Nullable String wire,
    List<TerminalRef> on,
    Map<String, Double> signals,
    Map<String, String> positions) {

  /** What a meter is set to. */
  public enum Quantity {
    VOLTS,
    MILLIAMPS,
    CONTINUITY
  }

  /** Checks that the probes or the wire are given, and freezes the state. */
  public Probe {
    Ids.check("probe", id);
    boolean twoProbes = red != null && black != null && wire == null;
    boolean inWire = wire != null && red == null && black == null;
    if (measures == Quantity.MILLIAMPS ? !inWire : !twoProbes) {
      throw new IllegalArgumentException(
          "probe %s: %s needs %s"
              .formatted(
                  id,
                  measures == Quantity.MILLIAMPS ? "a current" : "a voltage or continuity",
                  measures == Quantity.MILLIAMPS ? "a wire" : "two terminals"));
    }
    on = List.copyOf(on);
    signals = Collections.unmodifiableMap(new TreeMap<>(signals));
    positions = Collections.unmodifiableMap(new TreeMap<>(positions));
  }
}
