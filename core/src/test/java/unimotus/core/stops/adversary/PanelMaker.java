package unimotus.core.stops.adversary;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * Makes panels at random: triggers × logic × effects × wiring habits × mistakes. A panel without a
 * mistake is sound by the trade's own rules.
 */
final class PanelMaker {
  private final Random random;
  private final Panel panel = new Panel();
  private String plus = "plc:24V";
  private String zero = "plc:0V";

  private PanelMaker(Random random) {
    this.random = random;
  }

  /** A panel with up to so many mistakes in it. */
  static Panel panel(Random random, int mostMistakes) {
    PanelMaker maker = new PanelMaker(random);
    maker.build();
    int mistakes = random.nextInt(mostMistakes + 1);
    for (int i = 0; i < mistakes; i++) {
      maker.spoil();
    }
    maker.habits();
    return maker.panel;
  }

  private void build() {
    panel.device("plc", "controller-modular");
    panel.device("drive", "terminal-drive-4kw");
    if (random.nextInt(4) == 0) {
      panel.device("supply", "supply-24v-5a");
      plus = "supply:+";
      zero = "supply:-";
      if (random.nextBoolean()) {
        panel.wire("supply:-", "plc:0V");
      }
    }
    panel.effect = random.nextInt(3) == 0 ? Panel.Effect.CONTACTORS : Panel.Effect.STO;
    List<String> ends = panel.effect == Panel.Effect.STO ? safeTorqueOff() : contactors();
    switch (random.nextInt(5)) {
      case 0 -> direct(ends);
      case 1 -> chain(ends);
      case 2 -> relay("safety-relay-plain", ends);
      case 3 -> relay("safety-relay-polarity", ends);
      default -> relay("safety-relay", ends);
    }
  }

  private List<String> safeTorqueOff() {
    if (random.nextBoolean()) {
      // What the channels are fed from: the drive itself, or the panel's supply.
      plusForChannels = "drive:P24";
    } else {
      plusForChannels = plus;
      panel.wire("drive:COM", zero);
    }
    return List.of("drive:STO1", "drive:STO2");
  }

  private String plusForChannels = "";

  private List<String> contactors() {
    plusForChannels = plus;
    panel.device("mains", "mains-3x400");
    boolean behind = random.nextBoolean();
    int count = 1 + random.nextInt(2);
    List<String> coils = new ArrayList<>();
    for (int i = 1; i <= count; i++) {
      String contactor = panel.device("k" + i, "contactor-24v");
      panel.contactors.add(contactor);
      coils.add(contactor + ":A1");
      panel.wire(contactor + ":A2", zero);
    }
    String[] in = {"L1", "L2", "L3"};
    String[] out = {"U", "V", "W"};
    for (int pole = 0; pole < 3; pole++) {
      String at = behind ? "drive:" + out[pole] : "mains:" + in[pole];
      for (String contactor : panel.contactors) {
        panel.wire(at, contactor + ":" + (2 * pole + 1));
        at = contactor + ":" + (2 * pole + 2);
      }
      panel.wire(at, behind ? "motor:" + out[pole] : "drive:" + in[pole]);
      if (behind) {
        panel.wire("mains:" + in[pole], "drive:" + in[pole]);
      } else if (random.nextInt(4) > 0) {
        panel.wire("drive:" + out[pole], "motor:" + out[pole]);
      }
    }
    // Half a motor drawn is a mistake of its own, and none this maker means to make here.
    boolean some = panel.wires.stream().anyMatch(w -> w[1].startsWith("motor:"));
    if (some && !behind) {
      panel.wires.removeIf(w -> w[1].startsWith("motor:"));
      for (String terminal : out) {
        panel.wire("drive:" + terminal, "motor:" + terminal);
      }
    }
    return coils;
  }

  private String trigger(int number) {
    String sheet = random.nextBoolean() ? "emergency-stop-button" : "guard-switch";
    String trigger = panel.device("s" + number, sheet);
    panel.triggers.add(trigger);
    return trigger;
  }

  /** Each channel over one contact of every trigger. */
  private void channels(List<String> feeds, List<String> ends) {
    List<String> at = new ArrayList<>(feeds);
    int triggers = 1 + random.nextInt(2);
    for (int t = 1; t <= triggers; t++) {
      String trigger = trigger(t);
      for (int channel = 0; channel < ends.size(); channel++) {
        String contact = channel == 0 ? "1" : "2";
        panel.wire(at.get(channel), trigger + ":" + contact + "1");
        at.set(channel, trigger + ":" + contact + "2");
      }
    }
    for (int channel = 0; channel < ends.size(); channel++) {
      panel.wire(at.get(channel), ends.get(channel));
    }
  }

  private void direct(List<String> ends) {
    List<String> feeds = new ArrayList<>(Collections.nCopies(ends.size(), plusForChannels));
    channels(feeds, ends);
  }

  /** A trigger drops relays, their contacts feed the channels. */
  private void chain(List<String> ends) {
    List<String> coils = new ArrayList<>();
    for (int i = 1; i <= ends.size(); i++) {
      String relay = panel.device("r" + i, "relay-two-changeover");
      coils.add(relay + ":A1");
      panel.wire(relay + ":A2", zero);
      panel.wire(plusForChannels, relay + ":11");
      panel.wire(relay + ":14", ends.get(i - 1));
    }
    channels(new ArrayList<>(Collections.nCopies(coils.size(), plus)), coils);
  }

  private void relay(String sheet, List<String> ends) {
    String relay = panel.device("sr", sheet);
    panel.relay = relay;
    panel.manual = random.nextInt(3) > 0;
    panel.crossFault = random.nextBoolean();
    panel.wire(plus, relay + ":A1");
    panel.wire(relay + ":A2", zero);
    List<String> feeds =
        new ArrayList<>(
            switch (sheet) {
              case "safety-relay" -> List.of("sr:S11", "sr:S21");
              case "safety-relay-plain" -> List.of("sr:S11", "sr:S11");
              default -> List.of("sr:S11", "sr:A2");
            });
    channels(feeds, List.of("sr:S12", "sr:S22"));
    String at = plus;
    for (String contactor : panel.contactors) {
      panel.wire(at, contactor + ":21");
      at = contactor + ":22";
    }
    if (panel.manual) {
      panel.reset = panel.device("b", "reset-button");
      panel.wire(at, "b:13");
      at = "b:14";
    }
    panel.wire(at, "sr:RES");
    panel.wire(plusForChannels, "sr:13");
    panel.wire("sr:14", ends.get(0));
    if (ends.size() > 1) {
      panel.wire(plusForChannels, "sr:23");
      panel.wire("sr:24", ends.get(1));
    }
  }

  /** What people do wrong, on the control side. */
  private void spoil() {
    switch (random.nextInt(8)) {
      case 0, 1 -> bridge();
      case 2 -> drop();
      case 3 -> swap();
      case 4 -> {
        panel.jumper = panel.effect == Panel.Effect.STO;
        panel.notes.add("jumper");
      }
      case 5 -> supplyToEnd();
      case 6 -> overContact();
      default -> joinChannels();
    }
  }

  private List<String> points() {
    List<String> points = new ArrayList<>();
    for (String[] wire : panel.wires) {
      for (String end : wire) {
        if (isControl(end) && !points.contains(end)) {
          points.add(end);
        }
      }
    }
    return points;
  }

  private static boolean isControl(String end) {
    String terminal = end.substring(end.indexOf(':') + 1);
    boolean pole = end.startsWith("k") && terminal.matches("[1-6]");
    return !pole
        && !end.startsWith("mains:")
        && !end.startsWith("motor:")
        && !terminal.matches("L[123]|[UVW]");
  }

  private String any() {
    List<String> points = points();
    return points.get(random.nextInt(points.size()));
  }

  private void bridge() {
    String one = any();
    String other = any();
    panel.wire(one, other);
    panel.notes.add("bridge %s–%s".formatted(one, other));
  }

  private void overContact() {
    String trigger = panel.triggers.get(random.nextInt(panel.triggers.size()));
    String contact = random.nextBoolean() ? "1" : "2";
    panel.wire(trigger + ":" + contact + "1", trigger + ":" + contact + "2");
    panel.notes.add("bridged contact of " + trigger);
  }

  private void supplyToEnd() {
    String end =
        panel.effect == Panel.Effect.STO
            ? "drive:STO" + (1 + random.nextInt(2))
            : panel.contactors.get(random.nextInt(panel.contactors.size())) + ":A1";
    panel.wire(plusForChannels, end);
    panel.notes.add("24 V to " + end);
  }

  private void joinChannels() {
    if (panel.effect == Panel.Effect.STO) {
      panel.wire("drive:STO1", "drive:STO2");
      panel.notes.add("channels joined");
    }
  }

  private void drop() {
    List<String[]> control =
        panel.wires.stream().filter(w -> isControl(w[0]) && isControl(w[1])).toList();
    String[] wire = control.get(random.nextInt(control.size()));
    panel.wires.remove(wire);
    panel.notes.add("no %s–%s".formatted(wire[0], wire[1]));
  }

  private void swap() {
    List<String[]> control =
        panel.wires.stream().filter(w -> isControl(w[0]) && isControl(w[1])).toList();
    String[] one = control.get(random.nextInt(control.size()));
    String[] other = control.get(random.nextInt(control.size()));
    String end = one[1];
    one[1] = other[1];
    other[1] = end;
    panel.wires.removeIf(w -> w[0].equals(w[1]));
    panel.notes.add("swapped ends of %s and %s".formatted(one[0], other[0]));
  }

  /** What changes nothing: strips, fuses, a second supply on the same rails, another order. */
  private void habits() {
    if (random.nextInt(3) == 0) {
      strips();
    }
    if (random.nextInt(6) == 0) {
      fuse();
    }
    if (random.nextInt(6) == 0) {
      secondDrive();
    }
    Collections.shuffle(panel.wires, random);
    panel.wires.forEach(this::turn);
  }

  private void turn(String[] wire) {
    if (random.nextBoolean()) {
      String first = wire[0];
      wire[0] = wire[1];
      wire[1] = first;
    }
  }

  private void strips() {
    panel.device("x", "terminal-strip-12");
    int point = 1;
    for (String[] wire : List.copyOf(panel.wires)) {
      if (point <= 12 && isControl(wire[0]) && isControl(wire[1]) && random.nextInt(3) == 0) {
        String strip = "x:" + point++;
        panel.wire(strip, wire[1]);
        wire[1] = strip;
      }
    }
  }

  private void fuse() {
    for (String[] wire : List.copyOf(panel.wires)) {
      if (wire[0].equals(plus)) {
        panel.device("f", "fuse-2a");
        panel.wire("f:2", wire[1]);
        wire[1] = "f:1";
        return;
      }
    }
  }

  /** A second drive on the same safety contacts. */
  private void secondDrive() {
    if (panel.effect == Panel.Effect.STO
        && panel.wires.stream().anyMatch(w -> w[1].equals("drive:STO1"))) {
      panel.device("drive2", "terminal-drive-4kw");
      panel.wire("drive:STO1", "drive2:STO1");
      panel.wire("drive:STO2", "drive2:STO2");
      panel.wire("drive:COM", "drive2:COM");
    }
  }
}
