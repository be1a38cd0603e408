package unimotus.workbench.board;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;

/**
 * The lanes of the duct between the devices. Wires that are joined at terminals run in one lane, as
 * a bundle; different bundles share a lane only where one ends well above the other.
 */
public final class DuctLanes {
  /** Room between the devices and the outer lanes, for dots and corners. */
  private static final double MARGIN = 16;

  private static final double LEAST_PITCH = 5;
  private static final double ROOMY_PITCH = 11;

  /** Room between two bundles in one lane. */
  private static final double APART = 10;

  private final Map<String, Integer> laneOfWire;
  private final int count;
  private final double left;
  private final double pitch;

  private DuctLanes(Map<String, Integer> laneOfWire, int count, double left, double pitch) {
    this.laneOfWire = laneOfWire;
    this.count = count;
    this.left = left;
    this.pitch = pitch;
  }

  /** Wires that are joined, from their highest terminal to their lowest. */
  private static final class Bundle {
    private final List<Wire> wires = new ArrayList<>();
    private double top = Double.MAX_VALUE;
    private double bottom = -Double.MAX_VALUE;

    private void add(Wire wire, double one, double other) {
      wires.add(wire);
      top = Math.min(top, Math.min(one, other));
      bottom = Math.max(bottom, Math.max(one, other));
    }
  }

  /**
   * Lanes for the wires whose ends are both on the board.
   *
   * @param heights the height of each terminal on the board
   */
  static DuctLanes of(List<Wire> wires, Map<TerminalRef, Double> heights) {
    Map<String, Integer> lanes = new HashMap<>();
    List<Double> ends = new ArrayList<>();
    for (Bundle bundle : bundles(wires, heights)) {
      int lane = 0;
      while (lane < ends.size() && ends.get(lane) + APART > bundle.top) {
        lane++;
      }
      if (lane == ends.size()) {
        ends.add(bundle.bottom);
      } else {
        ends.set(lane, bundle.bottom);
      }
      int found = lane;
      bundle.wires.forEach(w -> lanes.put(w.id(), found));
    }
    return new DuctLanes(Collections.unmodifiableMap(lanes), ends.size(), 0, ROOMY_PITCH);
  }

  /** The bundles, from the one that begins highest. */
  private static List<Bundle> bundles(List<Wire> wires, Map<TerminalRef, Double> heights) {
    Map<TerminalRef, TerminalRef> parents = new HashMap<>();
    List<Wire> shown =
        wires.stream()
            .filter(w -> heights.containsKey(w.from()) && heights.containsKey(w.to()))
            .toList();
    shown.forEach(w -> parents.put(root(parents, w.from()), root(parents, w.to())));
    Map<TerminalRef, Bundle> byRoot = new LinkedHashMap<>();
    for (Wire wire : shown) {
      byRoot
          .computeIfAbsent(root(parents, wire.from()), r -> new Bundle())
          .add(wire, height(heights, wire.from()), height(heights, wire.to()));
    }
    return byRoot.values().stream()
        .sorted(Comparator.<Bundle>comparingDouble(b -> b.top).thenComparing(b -> b.bottom))
        .toList();
  }

  private static double height(Map<TerminalRef, Double> heights, TerminalRef ref) {
    return Objects.requireNonNull(heights.get(ref));
  }

  private static TerminalRef root(Map<TerminalRef, TerminalRef> parents, TerminalRef of) {
    TerminalRef at = of;
    TerminalRef up = parents.get(at);
    while (up != null && !up.equals(at)) {
      at = up;
      up = parents.get(at);
    }
    return at;
  }

  /** These lanes in the duct between two edges, as far apart as there is room. */
  DuctLanes between(double leftEdge, double rightEdge) {
    double room = rightEdge - leftEdge - 2 * MARGIN;
    double next = count < 2 ? 0 : Math.min(ROOMY_PITCH, room / (count - 1));
    double used = next * Math.max(0, count - 1);
    return new DuctLanes(laneOfWire, count, leftEdge + MARGIN + (room - used) / 2, next);
  }

  /** How many there are. */
  public int count() {
    return count;
  }

  double leastWidth() {
    return 2 * MARGIN + LEAST_PITCH * Math.max(0, count - 1);
  }

  double roomyWidth() {
    return 2 * MARGIN + ROOMY_PITCH * Math.max(0, count - 1);
  }

  /**
   * Where the lane of a wire is.
   *
   * @throws NullPointerException where the wire has an end off the board
   */
  public double x(Wire wire) {
    return left + pitch * Objects.requireNonNull(laneOfWire.get(wire.id()), wire.id());
  }
}
