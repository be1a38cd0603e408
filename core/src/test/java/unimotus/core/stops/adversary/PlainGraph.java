package unimotus.core.stops.adversary;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The oracle: reachability over a plain graph. A conductor is at 24 V where a pole of a supply
 * reaches it over wires and closed contacts; nothing is calculated, and nothing is shared with the
 * engine. What the devices have inside is written down here once more, by hand.
 *
 * <p>Asked with loads that conduct it gives what may be at most, without them what is at least.
 */
final class PlainGraph {
  /** The positions of everything at one moment. */
  record Moment(Set<String> turned, boolean relayOn, Set<String> dead) {
    Moment without(String source) {
      Set<String> more = new HashSet<>(dead);
      more.add(source);
      return new Moment(turned, relayOn, more);
    }
  }

  /** What came of a moment. */
  private record Picture(
      Map<String, Set<String>> joined, Set<String> pulledIn, Map<String, String> poles) {}

  private static final List<String> RELAY_INPUTS = List.of("sr:A1", "sr:S12", "sr:S22", "sr:RES");

  private final Panel panel;
  private final boolean throughLoads;
  private boolean shorted;

  /**
   * @param throughLoads whether coils and inputs are taken for conductors too, which is more than
   *     can ever flow: what then gets no voltage gets none in truth
   */
  PlainGraph(Panel panel, boolean throughLoads) {
    this.panel = panel;
    this.throughLoads = throughLoads;
  }

  /** Whether a supply is shorted, or two are put in a row: the graph knows nothing of that. */
  boolean isBeyond() {
    return shorted;
  }

  /** Whether the motor can be brought to run: at rest, reset in the usual way. */
  boolean canStart() {
    if (panel.relay.isEmpty()) {
      return torque(new Moment(Set.of(), false, Set.of()));
    }
    Moment off = new Moment(Set.of(), false, Set.of());
    Moment on = new Moment(Set.of(), true, Set.of());
    return relayMayStart(off) && relayHolds(on) && torque(on);
  }

  /** Whether torque stays possible under a demand of any trigger, in any state of reset. */
  boolean torqueUnderDemand() {
    boolean found = false;
    for (String trigger : panel.triggers) {
      for (boolean pressed : new boolean[] {false, true}) {
        Set<String> turned = new HashSet<>(Set.of(trigger));
        if (pressed && !panel.reset.isEmpty()) {
          turned.add(panel.reset);
        }
        Moment off = new Moment(turned, false, Set.of());
        found |= torque(off);
        if (!panel.relay.isEmpty()) {
          Moment on = new Moment(turned, true, Set.of());
          boolean stays = relayWasOn() && relayHolds(on);
          found |= stays && torque(on);
        }
      }
    }
    return found;
  }

  private boolean relayWasOn() {
    return relayMayStart(new Moment(Set.of(), false, Set.of()))
        && relayHolds(new Moment(Set.of(), true, Set.of()));
  }

  /** Powered, both channels, tests passed, and the loop closed and opened again. */
  private boolean relayMayStart(Moment off) {
    if (throughLoads) {
      return true;
    }
    if (!channelsOn(off) || !testsPass(off)) {
      return false;
    }
    boolean resting = isOn(off, "sr:RES", "sr:A2");
    if (!panel.manual) {
      return resting;
    }
    Moment pressed = new Moment(Set.of(panel.reset), false, Set.of());
    boolean held = isOn(pressed, "sr:RES", "sr:A2") && channelsOn(pressed) && testsPass(pressed);
    return held && !resting;
  }

  private boolean relayHolds(Moment on) {
    return throughLoads || (channelsOn(on) && testsPass(on));
  }

  private boolean channelsOn(Moment moment) {
    boolean opposite = panel.sheets.get("sr").equals("safety-relay-polarity");
    boolean second = opposite ? isLow(moment) : isOn(moment, "sr:S22", "sr:A2");
    return isOn(moment, "sr:A1", "sr:A2") && isOn(moment, "sr:S12", "sr:A2") && second;
  }

  /** The channel of opposite polarity: its terminal at 0 V, the relay's plus at 24 V. */
  private boolean isLow(Moment moment) {
    Picture picture = picture(moment);
    return voltage(picture, "sr:A1", "sr:S22");
  }

  private boolean testsPass(Moment moment) {
    boolean tests = panel.sheets.get("sr").equals("safety-relay") && panel.crossFault;
    return !tests
        || (!isOn(moment.without("sr:S11"), "sr:S12", "sr:A2")
            && !isOn(moment.without("sr:S21"), "sr:S22", "sr:A2"));
  }

  private boolean torque(Moment moment) {
    Picture picture = picture(moment);
    if (panel.effect == Panel.Effect.STO) {
      return inputs(picture, "drive:STO1") && inputs(picture, "drive:STO2");
    }
    return hasPower(picture);
  }

  private boolean inputs(Picture picture, String input) {
    if (!throughLoads) {
      return voltage(picture, input, "drive:COM");
    }
    return picture.poles().keySet().stream()
        .anyMatch(plus -> reach(picture.joined(), input).contains(plus));
  }

  /** All three poles are wired alike, so one tells for all. */
  private boolean hasPower(Picture picture) {
    boolean fed = true;
    for (String pole : List.of("L1", "L2")) {
      fed &= reach(picture.joined(), "drive:" + pole).contains("mains:" + pole);
    }
    boolean drawn =
        panel.wires.stream().anyMatch(w -> w[0].startsWith("motor:") || w[1].startsWith("motor:"));
    boolean motor = true;
    for (String pole : List.of("U", "V")) {
      motor &= reach(picture.joined(), "motor:" + pole).contains("drive:" + pole);
    }
    return fed && (motor || !drawn);
  }

  private boolean isOn(Moment moment, String input, String back) {
    return voltage(picture(moment), input, back);
  }

  /** Whether one supply's plus is here and its minus there. */
  private static boolean voltage(Picture picture, String high, String low) {
    Set<String> here = reach(picture.joined(), high);
    Set<String> there = reach(picture.joined(), low);
    return picture.poles().entrySet().stream()
        .anyMatch(p -> here.contains(p.getKey()) && there.contains(p.getValue()));
  }

  /** Coils are asked again until none moves; one that never rests is beyond the graph. */
  private Picture picture(Moment moment) {
    Set<String> pulled = new HashSet<>();
    for (int round = 0; round < 8; round++) {
      Map<String, Set<String>> joined = joined(moment, pulled);
      Map<String, String> poles = poles(moment, joined, pulled);
      noteShorts(joined, poles);
      Picture picture = new Picture(joined, pulled, poles);
      Set<String> next = new HashSet<>();
      for (String device : panel.sheets.keySet()) {
        boolean coil =
            Set.of("contactor-24v", "relay-two-changeover").contains(panel.sheets.get(device));
        if (coil
            && (pulls(picture, device + ":A1", device + ":A2")
                || pulls(picture, device + ":A2", device + ":A1"))) {
          next.add(device);
        }
      }
      if (next.equals(pulled)) {
        return picture;
      }
      pulled = next;
    }
    shorted = true;
    return new Picture(Map.of(), Set.of(), Map.of());
  }

  /** A test output is too weak for a coil. */
  private static boolean pulls(Picture picture, String high, String low) {
    Set<String> here = reach(picture.joined(), high);
    Set<String> there = reach(picture.joined(), low);
    return picture.poles().entrySet().stream()
        .filter(p -> !p.getKey().startsWith("sr:"))
        .anyMatch(p -> here.contains(p.getKey()) && there.contains(p.getValue()));
  }

  /** Each supply's plus with its minus, as far as it is alive. */
  private Map<String, String> poles(
      Moment moment, Map<String, Set<String>> joined, Set<String> pulled) {
    Map<String, String> poles = new HashMap<>();
    poles.put("plc:24V", "plc:0V");
    if (panel.sheets.containsKey("supply")) {
      poles.put("supply:+", "supply:-");
    }
    boolean driveFed =
        panel.effect == Panel.Effect.STO
            || hasPower(new Picture(joined, pulled, Map.of()))
            || behind(joined);
    if (driveFed) {
      poles.put("drive:P24", "drive:COM");
    }
    if (panel.sheets.containsKey("drive2")) {
      poles.put("drive2:P24", "drive2:COM");
    }
    if (!panel.relay.isEmpty() && voltage(new Picture(joined, pulled, poles), "sr:A1", "sr:A2")) {
      addTest(moment, joined, poles, "sr:S11");
      if (panel.sheets.get("sr").equals("safety-relay")) {
        addTest(moment, joined, poles, "sr:S21");
      }
    }
    return poles;
  }

  private boolean behind(Map<String, Set<String>> joined) {
    return reach(joined, "drive:L1").contains("mains:L1")
        && reach(joined, "drive:L2").contains("mains:L2");
  }

  /** A test output is weak: shorted to 0 V it is gone and nothing else happens. */
  private void addTest(
      Moment moment, Map<String, Set<String>> joined, Map<String, String> poles, String source) {
    Set<String> here = reach(joined, source);
    if (!moment.dead().contains(source) && !here.contains("sr:A2")) {
      poles.put(source, "sr:A2");
    }
  }

  private void noteShorts(Map<String, Set<String>> joined, Map<String, String> poles) {
    for (String plus : poles.keySet()) {
      Set<String> here = reach(joined, plus);
      boolean weak = plus.startsWith("sr:");
      for (String minus : poles.values()) {
        shorted |= !weak && here.contains(minus);
      }
      // A supply on an input of another zero: what flows then, flows through loads in a row.
      boolean ownZero = reach(joined, poles.get(plus)).contains("sr:A2");
      shorted |= !weak && !ownZero && RELAY_INPUTS.stream().anyMatch(here::contains);
    }
  }

  private Map<String, Set<String>> joined(Moment moment, Set<String> pulled) {
    Map<String, Set<String>> joined = new HashMap<>();
    panel.wires.forEach(w -> join(joined, w[0], w[1]));
    for (Map.Entry<String, String> device : panel.sheets.entrySet()) {
      String id = device.getKey();
      boolean turned = moment.turned().contains(id);
      switch (device.getValue()) {
        case "emergency-stop-button", "guard-switch" -> {
          if (!turned) {
            join(joined, id + ":11", id + ":12");
            join(joined, id + ":21", id + ":22");
          }
        }
        case "reset-button" -> {
          if (turned) {
            join(joined, id + ":13", id + ":14");
          }
        }
        case "fuse-2a" -> join(joined, id + ":1", id + ":2");
        case "contactor-24v" -> contactor(joined, id, pulled.contains(id));
        case "relay-two-changeover" -> {
          String closed = pulled.contains(id) ? "4" : "2";
          join(joined, id + ":11", id + ":1" + closed);
          join(joined, id + ":21", id + ":2" + closed);
        }
        default -> {}
      }
      if (device.getValue().startsWith("safety-relay")) {
        if (moment.relayOn()) {
          join(joined, id + ":13", id + ":14");
          join(joined, id + ":23", id + ":24");
        } else {
          join(joined, id + ":41", id + ":42");
        }
      }
    }
    if (throughLoads) {
      loads(joined);
    }
    if (panel.jumper) {
      join(joined, "drive:P24", "drive:STO1");
      join(joined, "drive:P24", "drive:STO2");
    }
    return joined;
  }

  /** The loads between a terminal and its zero; those of the asked inputs themselves are not. */
  private void loads(Map<String, Set<String>> joined) {
    for (Map.Entry<String, String> device : panel.sheets.entrySet()) {
      String id = device.getKey();
      if (device.getValue().startsWith("safety-relay")) {
        for (String input : List.of("A1", "S12", "S22", "RES")) {
          join(joined, id + ":" + input, id + ":A2");
        }
      } else if (Set.of("contactor-24v", "relay-two-changeover").contains(device.getValue())) {
        join(joined, id + ":A1", id + ":A2");
      }
    }
  }

  private static void contactor(Map<String, Set<String>> joined, String id, boolean pulled) {
    if (pulled) {
      join(joined, id + ":1", id + ":2");
      join(joined, id + ":3", id + ":4");
      join(joined, id + ":5", id + ":6");
      join(joined, id + ":13", id + ":14");
    } else {
      join(joined, id + ":21", id + ":22");
    }
  }

  private static void join(Map<String, Set<String>> joined, String one, String other) {
    joined.computeIfAbsent(one, k -> new LinkedHashSet<>()).add(other);
    joined.computeIfAbsent(other, k -> new LinkedHashSet<>()).add(one);
  }

  private static Set<String> reach(Map<String, Set<String>> joined, String from) {
    Set<String> seen = new HashSet<>(Set.of(from));
    Deque<String> open = new ArrayDeque<>(seen);
    while (!open.isEmpty()) {
      for (String next : joined.getOrDefault(open.removeFirst(), Set.of())) {
        if (seen.add(next)) {
          open.add(next);
        }
      }
    }
    return seen;
  }
}
