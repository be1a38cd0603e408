package unimotus.core.stops;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** The test pulses of a stop's circuit: who sends them, and who waits for them. */
final class TestPulses {
  private final StopCircuit circuit;

  TestPulses(StopCircuit circuit) {
    this.circuit = circuit;
  }

  /** A device that sends test pulses, and for each the input they come back to. */
  record Tester(String device, List<Pulse> pulses) {}

  /** One test pulse: its source and where it has to be seen. */
  record Pulse(TerminalRef source, TerminalRef back) {}

  /** Everything that tests its channels as it is set. */
  List<Tester> testers() {
    List<Tester> testers = new ArrayList<>();
    for (PlacedDevice device : circuit.devices()) {
      List<TerminalRef> outputs = StopTraits.all(device, TerminalRole.SAFETY_OUTPUT);
      if (!outputs.isEmpty()) {
        testers.add(new Tester(device.id(), outputs.stream().map(o -> new Pulse(o, o)).toList()));
      }
      if (isTesting(device)) {
        testers.add(new Tester(device.id(), pulses(device)));
      }
    }
    return testers;
  }

  /** Everything that sends test pulses, whether or not anything here waits for them. */
  List<Pulse> pulseSources() {
    List<Pulse> sources = new ArrayList<>();
    for (PlacedDevice device : circuit.devices()) {
      boolean sends = device.sheet() instanceof DriveSheet || isTesting(device);
      for (TerminalRef source :
          StopTraits.all(
              device,
              t ->
                  t.role() == TerminalRole.SAFETY_OUTPUT
                      || (sends && t.role() == TerminalRole.TEST_PULSE_OUTPUT))) {
        if (circuit.isWired(source)) {
          sources.add(new Pulse(source, source));
        }
      }
    }
    return sources;
  }

  private static boolean isTesting(PlacedDevice device) {
    return device.is(SelectorRole.CROSS_FAULT_DETECTION, Option.ON, Option.OFF)
        || device.isPulseTested();
  }

  private List<Pulse> pulses(PlacedDevice device) {
    List<TerminalRef> sources = StopTraits.all(device, TerminalRole.TEST_PULSE_OUTPUT);
    List<TerminalRef> inputs =
        StopTraits.all(
            device,
            t -> t.role() == TerminalRole.SAFETY_INPUT || t.role() == TerminalRole.SAFE_TORQUE_OFF);
    List<Pulse> pulses = new ArrayList<>();
    // A relay misses its own pulses wherever they go; a drive tests only what it feeds.
    boolean always = device.sheet() instanceof PartSheet;
    for (int i = 0; i < Math.min(sources.size(), inputs.size()); i++) {
      if (always || circuit.isWired(sources.get(i))) {
        pulses.add(new Pulse(sources.get(i), inputs.get(i)));
      }
    }
    return pulses;
  }
}
