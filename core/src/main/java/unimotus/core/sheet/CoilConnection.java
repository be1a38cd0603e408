package unimotus.core.sheet;

import java.util.ArrayList;
import java.util.List;

/**
 * How the coils of a step motor are connected, against one half coil, which is what a motor of 6 or
 * 8 leads is rated by (common practice): a coil of two halves in series has twice the turns, so
 * twice the resistance, four times the inductance, and the same heat at 1/√2 of the current; two in
 * parallel have half the resistance, the same inductance, and the same heat at √2 of the current.
 */
public enum CoilConnection {
  WHOLE("one coil a phase", 1, 1, 1, List.of(4)),
  HALF("half of each coil", 1, 1, 1, List.of(6, 8)),
  SERIES("halves in series", Math.sqrt(0.5), 2, 4, List.of(6, 8)),
  PARALLEL("halves in parallel", Math.sqrt(2), 0.5, 1, List.of(8)),
  UNIPOLAR("unipolar, centre to supply", 1, 1, 1, List.of(6, 8));

  private final String label;
  private final double current;
  private final double resistance;
  private final double inductance;
  private final List<Integer> leads;

  CoilConnection(
      String label, double current, double resistance, double inductance, List<Integer> leads) {
    this.label = label;
    this.current = current;
    this.resistance = resistance;
    this.inductance = inductance;
    this.leads = leads;
  }

  /** The words shown. */
  public String label() {
    return label;
  }

  /** Rated current against that of the half coil. */
  public double current() {
    return current;
  }

  /** Resistance against that of the half coil. */
  public double resistance() {
    return resistance;
  }

  /** Inductance against that of the half coil. */
  public double inductance() {
    return inductance;
  }

  /** Whether the driver has to switch each half by itself, which a bipolar one does not. */
  public boolean isUnipolar() {
    return this == UNIPOLAR;
  }

  /** What a motor with so many leads can be connected as; none for a number no motor has. */
  public static List<CoilConnection> of(int leads) {
    List<CoilConnection> all = new ArrayList<>();
    for (CoilConnection each : values()) {
      if (each.leads.contains(leads)) {
        all.add(each);
      }
    }
    return all;
  }
}
