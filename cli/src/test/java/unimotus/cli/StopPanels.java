package unimotus.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Controller;
import unimotus.core.machine.Drive;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Motor;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.MotorSheet;
import unimotus.core.sheet.SettingValue;
import unimotus.formats.sheet.SheetLibrary;

/**
 * Ten panels unlike the demo's, written down as a wireman's list: devices, wires, the stop. The
 * project files beside this test are what comes of them.
 */
final class StopPanels {
  private static final StopUse USE =
      StopUse.USUAL.withCommonCause(List.of("SEPARATION", "EMC", "ENVIRONMENT", "OVERVOLTAGE"));

  private final String name;
  private final Map<String, Map<String, String>> selectors = new LinkedHashMap<>();
  private final Map<String, String> sheets = new LinkedHashMap<>();
  private final Map<String, Map<String, SettingValue>> settings = new LinkedHashMap<>();
  private final List<Wire> wires = new ArrayList<>();
  private final List<Intent> intents = new ArrayList<>();
  private StopTrigger trigger = StopTrigger.EMERGENCY_STOP;
  private StopLogic logic = StopLogic.SAFETY_RELAY;
  private StopEffect effect = StopEffect.STO;
  private String relay = "";
  private String reset = "";
  private List<String> triggers = List.of("s1");
  private List<String> contactors = List.of();

  private StopPanels(String name, String drive) {
    this.name = name;
    device("plc", "controller-modular");
    device("drive", drive);
    select("drive", "sto.jumper", "removed");
  }

  /** All of them by name, in a fixed order. */
  static Map<String, Project> all() {
    Map<String, Project> all = new LinkedHashMap<>();
    for (StopPanels panel :
        List.of(
            ownSupply(),
            strips(),
            contactorsBefore(),
            contactorsBehind(),
            testingOutputs(),
            directContacts(),
            relayChain(),
            sharedRelay(),
            delayedRelay(),
            singlePhase())) {
      all.put(panel.name, panel.project());
    }
    return all;
  }

  private void device(String id, String sheet) {
    sheets.put(id, sheet);
  }

  private void select(String device, String selector, String position) {
    selectors.computeIfAbsent(device, k -> new LinkedHashMap<>()).put(selector, position);
  }

  private void set(String device, String code, SettingValue value) {
    settings.computeIfAbsent(device, k -> new LinkedHashMap<>()).put(code, value);
  }

  /** Wires in the words of a list: {@code plc:24V – sr:A1}, one after the other by commas. */
  private void wire(String list) {
    for (String pair : list.split(",")) {
      String[] ends = pair.strip().split(" – ");
      wires.add(new Wire("w" + (wires.size() + 1), ref(ends[0]), ref(ends[1])));
    }
  }

  static TerminalRef ref(String text) {
    int colon = text.indexOf(':');
    return new TerminalRef(text.substring(0, colon).strip(), text.substring(colon + 1).strip());
  }

  private void relay(String sheet, String plus, String zero) {
    relay = "sr";
    device("sr", sheet);
    wire("%s – sr:A1, %s – sr:A2".formatted(plus, zero));
  }

  private void manualReset(String from) {
    reset = "b";
    device("b", "reset-button");
    wire("%s – b:13, b:14 – sr:RES".formatted(from));
  }

  private void button(String feed1, String end1, String feed2, String end2) {
    device("s1", "emergency-stop-button");
    wire("%s – s1:11, s1:12 – %s, %s – s1:21, s1:22 – %s".formatted(feed1, end1, feed2, end2));
  }

  /** The relay has a 24 V supply of its own, which feeds the channels as well. */
  private static StopPanels ownSupply() {
    StopPanels panel = new StopPanels("own-supply", "terminal-drive-4kw");
    panel.device("g1", "supply-24v-5a");
    panel.relay("safety-relay", "g1:+", "g1:-");
    panel.button("sr:S11", "sr:S12", "sr:S21", "sr:S22");
    panel.manualReset("g1:+");
    panel.wire("g1:+ – sr:13, g1:+ – sr:23, sr:14 – drive:STO1, sr:24 – drive:STO2");
    panel.wire("g1:- – drive:COM");
    return panel;
  }

  /** Everything between button, relay and drive runs over terminal strips. */
  private static StopPanels strips() {
    StopPanels panel = new StopPanels("strips", "terminal-drive-4kw");
    panel.device("x1", "terminal-strip-12");
    panel.device("x2", "terminal-strip-12");
    panel.relay("safety-relay", "plc:24V", "plc:0V");
    panel.device("s1", "emergency-stop-button");
    panel.wire("sr:S11 – x1:1, x1:1 – s1:11, s1:12 – x1:2, x1:2 – sr:S12");
    panel.wire("sr:S21 – x1:3, x1:3 – s1:21, s1:22 – x1:4, x1:4 – sr:S22");
    panel.manualReset("plc:24V");
    panel.wire("drive:P24 – x2:1, x2:1 – sr:13, x2:1 – sr:23");
    panel.wire("sr:14 – x2:2, x2:2 – drive:STO1, sr:24 – x2:3, x2:3 – drive:STO2");
    return panel;
  }

  private void contactors(boolean behind) {
    logic = StopLogic.RELAY_CONTACTORS;
    effect = StopEffect.CONTACTORS;
    select("drive", "sto.jumper", behind ? "removed" : "fitted");
    contactors = List.of("k1", "k2");
    device("q0", "mains-3x400");
    contactors.forEach(k -> device(k, "contactor-24v"));
    relay("safety-relay", "plc:24V", "plc:0V");
    button("sr:S11", "sr:S12", "sr:S21", "sr:S22");
    wire("plc:24V – k1:21, k1:22 – k2:21");
    manualReset("k2:22");
    wire("plc:24V – sr:13, sr:14 – k1:A1, plc:24V – sr:23, sr:24 – k2:A1");
    wire("k1:A2 – plc:0V, k2:A2 – plc:0V");
    String[] mains = {"L1", "L2", "L3"};
    String[] motor = {"U", "V", "W"};
    for (int i = 0; i < 3; i++) {
      String in = "k1:" + (2 * i + 1);
      String between = "k1:%d – k2:%d".formatted(2 * i + 2, 2 * i + 1);
      String out = "k2:" + (2 * i + 2);
      wire(
          behind
              ? "q0:%s – drive:%s, drive:%s – %s, %s, %s – motor:%s"
                  .formatted(mains[i], mains[i], motor[i], in, between, out, motor[i])
              : "q0:%s – %s, %s, %s – drive:%s, drive:%s – motor:%s"
                  .formatted(mains[i], in, between, out, mains[i], motor[i], motor[i]));
    }
  }

  private static StopPanels contactorsBefore() {
    StopPanels panel = new StopPanels("contactors-before", "terminal-drive-4kw");
    panel.contactors(false);
    return panel;
  }

  private static StopPanels contactorsBehind() {
    StopPanels panel = new StopPanels("contactors-behind", "terminal-drive-4kw");
    panel.contactors(true);
    // The permission goes with the contactors, so that the drive waits for a new run command.
    panel.wire("drive:P24 – k1:13, k1:14 – drive:STO1, drive:P24 – k2:13, k2:14 – drive:STO2");
    return panel;
  }

  /** A light curtain into a relay that takes its pulse-testing outputs. */
  private static StopPanels testingOutputs() {
    StopPanels panel = new StopPanels("testing-outputs", "terminal-drive-4kw");
    panel.trigger = StopTrigger.LIGHT_CURTAIN;
    panel.relay("safety-relay", "plc:24V", "plc:0V");
    panel.select("sr", "cross", "off");
    panel.device("s1", "light-curtain");
    panel.wire("plc:24V – s1:+, s1:0V – plc:0V, s1:O1 – sr:S12, s1:O2 – sr:S22");
    panel.manualReset("plc:24V");
    panel.wire("drive:P24 – sr:13, sr:14 – drive:STO1, drive:P24 – sr:23, sr:24 – drive:STO2");
    return panel;
  }

  /** Two contacts straight into inputs that test them with pulses of the drive. */
  private static StopPanels directContacts() {
    StopPanels panel = new StopPanels("direct-contacts", "safety-drive-7k5");
    panel.logic = StopLogic.DIRECT;
    panel.select("drive", "sto.kind", "pulse-tested");
    panel.button("drive:TA", "drive:SA", "drive:TB", "drive:SB");
    return panel;
  }

  /** The button drops two relays, each feeds one channel. */
  private static StopPanels relayChain() {
    StopPanels panel = new StopPanels("relay-chain", "terminal-drive-4kw");
    panel.logic = StopLogic.DIRECT;
    panel.device("k1", "relay-two-changeover");
    panel.device("k2", "relay-two-changeover");
    panel.button("plc:24V", "k1:A1", "plc:24V", "k2:A1");
    panel.wire("k1:A2 – plc:0V, k2:A2 – plc:0V");
    panel.wire("drive:P24 – k1:11, k1:14 – drive:STO1, drive:P24 – k2:11, k2:14 – drive:STO2");
    return panel;
  }

  /** One relay for two drives; both say in the feedback loop that safe torque off is active. */
  private static StopPanels sharedRelay() {
    StopPanels panel = new StopPanels("shared-relay", "terminal-drive-4kw");
    panel.device("drive-2", "terminal-drive-4kw");
    panel.select("drive-2", "sto.jumper", "removed");
    panel.relay("safety-relay", "plc:24V", "plc:0V");
    panel.button("sr:S11", "sr:S12", "sr:S21", "sr:S22");
    panel.wire("plc:24V – drive:FC, drive:FR – drive-2:FC");
    panel.manualReset("drive-2:FR");
    panel.set("drive", "O82", new SettingValue.Choice("sto-active"));
    panel.set("drive-2", "O82", new SettingValue.Choice("sto-active"));
    panel.wire("plc:24V – sr:13, sr:14 – drive:STO1, plc:24V – sr:23, sr:24 – drive:STO2");
    panel.wire("drive:STO1 – drive-2:STO1, drive:STO2 – drive-2:STO2");
    panel.wire("drive:COM – plc:0V, drive-2:COM – plc:0V");
    return panel;
  }

  /** A safe stop 1 made in the relay: the run command goes at once, safe torque off late. */
  private static StopPanels delayedRelay() {
    StopPanels panel = new StopPanels("delayed-relay", "terminal-drive-4kw");
    panel.effect = StopEffect.SS1_T;
    panel.relay("safety-relay-delayed", "plc:24V", "plc:0V");
    panel.button("sr:S11", "sr:S12", "sr:S21", "sr:S22");
    panel.manualReset("plc:24V");
    panel.wire("drive:P24 – sr:37, sr:38 – drive:STO1, drive:P24 – sr:47, sr:48 – drive:STO2");
    panel.wire("plc:DO0 – sr:13, sr:14 – drive:DI1, plc:0V – drive:COM");
    panel.set("drive", "S91", new SettingValue.Number(0));
    panel.set("drive", "R31", new SettingValue.Number(2));
    panel.intents.add(
        new Intent(
            "belt",
            ref("drive:DI1"),
            Meaning.RUN_FORWARD,
            List.of(new Condition("plc", "DO0"), new Condition("s1", "pulled"))));
    return panel;
  }

  private static StopPanels singlePhase() {
    StopPanels panel = new StopPanels("single-phase", "single-phase-drive-1k5");
    panel.device("q0", "mains-1x230");
    panel.wire("q0:L – drive:L, q0:N – drive:N");
    panel.wire("drive:U – motor:U, drive:V – motor:V, drive:W – motor:W");
    panel.relay("safety-relay-polarity", "plc:24V", "plc:0V");
    panel.button("sr:S11", "sr:S12", "sr:A2", "sr:S22");
    panel.manualReset("plc:24V");
    panel.wire("drive:P24 – sr:13, sr:14 – drive:STO1, drive:P24 – sr:23, sr:24 – drive:STO2");
    return panel;
  }

  private Project project() {
    String motor = sheets.get("drive").startsWith("single") ? "motor-1k5-4pole" : "motor-4kw-4pole";
    Project project =
        Project.empty(name)
            .with(
                new Motor(
                    "motor",
                    "Motor",
                    SheetLibrary.catalogue().find(MotorSheet.class, motor).orElseThrow().plate()))
            .with(
                new Axis(
                    "belt",
                    "Belt",
                    "",
                    "plc",
                    "drive",
                    "motor",
                    new Reference(null, null, 0, 25, 0, 50, 27648, 0.05),
                    new Answer(null, null, 25, 27648),
                    new Mechanics.Drum(40, 0.3),
                    new Load(8, 40, 0, 0, 0.95)));
    for (Map.Entry<String, String> device : sheets.entrySet()) {
      String id = device.getKey();
      Map<String, String> set = selectors.getOrDefault(id, Map.of());
      project =
          project.with(
              device.getValue().startsWith("controller")
                  ? new Controller(id, id, device.getValue(), set)
                  : device.getValue().contains("drive")
                      ? new Drive(
                          id, id, device.getValue(), set, settings.getOrDefault(id, Map.of()))
                      : new Part(id, id, device.getValue(), set));
    }
    return project.withWires(wires).withIntents(intents).with(stop());
  }

  private StopFunction stop() {
    return new StopFunction(
        "stop",
        "Emergency stop",
        "belt",
        trigger,
        logic,
        effect,
        triggers,
        relay.isEmpty() ? null : relay,
        reset.isEmpty() ? null : reset,
        contactors,
        false,
        false,
        400,
        USE.withApproach(StopApproach.usual(trigger)));
  }
}
