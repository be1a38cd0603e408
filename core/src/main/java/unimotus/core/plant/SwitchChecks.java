package unimotus.core.plant;

import java.util.ArrayList;
import java.util.List;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Nets;
import unimotus.core.machine.PlacedSwitch;
import unimotus.core.machine.SwitchUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.motion.StepAxis;
import unimotus.core.move.MoveLimits;
import unimotus.core.move.MoveSequence;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.WiringFault;

/** Whether the switches along the travel of an axis on pulses are read, hold and leave way. */
public final class SwitchChecks {
  private final AxisAssembly assembly;
  private final StepAxis axis;
  private final PlantWires wires;
  private final List<Finding> found = new ArrayList<>();

  private SwitchChecks(AxisAssembly assembly, StepAxis axis, Installation line) {
    this.assembly = assembly;
    this.axis = axis;
    this.wires = new PlantWires(line);
  }

  /**
   * Findings of an axis; possibly empty.
   *
   * @param line what is wired to its controller
   */
  public static List<Finding> check(AxisAssembly assembly, StepAxis axis, Installation line) {
    SwitchChecks checks = new SwitchChecks(assembly, axis, line);
    for (PlacedSwitch each : axis.design().stepping().switches()) {
      if (line.device(each.part()).isPresent()) {
        checks.read(each);
      }
      checks.space(each);
      checks.reached(each);
    }
    return checks.found;
  }

  private void read(PlacedSwitch each) {
    if (!wires.isSwitch(each.part())) {
      add(
          Severity.ERROR,
          Rule.LIMIT_SWITCH,
          "%s has no second position: nothing can operate it".formatted(name(each)),
          "It is entered as a switch along the travel.",
          "Choose a switch, or take it out.");
      return;
    }
    List<SwitchReading> readings = SwitchReading.of(wires, assembly.controller().id(), each.part());
    if (readings.isEmpty()) {
      add(
          each.use().isEnd() ? Severity.ERROR : Severity.WARNING,
          Rule.LIMIT_SWITCH,
          "no input of %s changes when %s (%s) is operated"
              .formatted(assembly.controller().name(), name(each), each.use().label()),
          each.use().isEnd()
              ? "Nothing stops the axis before its mechanical end."
              : "The program never sees it.",
          "Follow its wires; look at its supply and at the zero of the input.");
    }
    for (SwitchReading reading : readings) {
      if (!reading.isCertain()) {
        add(
            Severity.ERROR,
            Rule.LIMIT_SWITCH,
            "%s stands between off and on while %s is %s"
                .formatted(
                    reading.input(),
                    name(each),
                    reading.free() == Level.UNDEFINED ? "free" : "operated"),
            "It may read either way.",
            "Look at leakage, voltage drop and the kind of input.");
      } else if (each.use().isEnd()) {
        broken(each, reading);
      }
    }
  }

  /** An end of the travel has to be seen by a broken wire too (common practice). */
  private void broken(PlacedSwitch each, SwitchReading reading) {
    List<String> hidden = new ArrayList<>();
    Nets nets = new Nets(wires.installation().wires());
    List<TerminalRef> ends = ends(each, reading);
    for (Wire wire : wires.installation().wires()) {
      if (ends.stream().anyMatch(e -> nets.joined(e, wire.from()))) {
        wires.fail(new WiringFault.OpenWire(wire.id()));
        if (wires.levelWith(each.part(), true, reading.input()) == reading.free()) {
          hidden.add(wire.id());
        }
        wires.repair();
      }
    }
    if (!hidden.isEmpty()) {
      add(
          Severity.ERROR,
          Rule.LIMIT_SWITCH,
          "with %s open, %s reads as if %s (%s) were free"
              .formatted(
                  String.join(" or ", hidden), reading.input(), name(each), each.use().label()),
          "A broken wire is not seen, and the axis runs against its mechanical end.",
          "Use a contact that opens when it is operated.");
    }
  }

  /** Where the wires of a switch and of its input begin, over terminal strips too. */
  private List<TerminalRef> ends(PlacedSwitch each, SwitchReading reading) {
    List<TerminalRef> ends = new ArrayList<>(List.of(reading.input()));
    wires
        .installation()
        .device(each.part())
        .ifPresent(d -> d.sheet().terminals().forEach(t -> ends.add(d.ref(t.id()))));
    return ends;
  }

  private void space(PlacedSwitch each) {
    MoveLimits limits = axis.design().moves().limits();
    double creep = axis.design().stepping().creep();
    double jog = creep > 0 ? creep : limits.velocity();
    if (each.use().isEnd()) {
      double scan = limits.velocity() * SequencePlay.SCAN_SECONDS;
      double way = scan + limits.velocity() * limits.velocity() / 2 / limits.deceleration();
      if (way > each.length()) {
        add(
            Severity.ERROR,
            Rule.SWITCH_SPACE,
            "from %s (%s) to the mechanical end there are %s; a scan of 10 ms and the ramp from %s/s take %s"
                .formatted(
                    name(each),
                    each.use().label(),
                    text(each.length()),
                    text(limits.velocity()),
                    text(way)),
            "It runs against its end although the switch is seen (v·t + v²/2a).",
            "Move the switch inwards, a steeper ramp, or a lower velocity.");
      }
      return;
    }
    double velocity = each.use() == SwitchUse.HOME ? jog : limits.velocity();
    double scan = velocity * SequencePlay.SCAN_SECONDS;
    if (scan > each.length()) {
      add(
          Severity.WARNING,
          Rule.SWITCH_SPACE,
          "%s (%s) is %s long; at %s/s the axis goes %s in a scan of 10 ms"
              .formatted(
                  name(each), each.use().label(), text(each.length()), text(velocity), text(scan)),
          "It may pass between two scans and never be seen.",
          "A longer switch cam, a lower velocity, or a fast input.");
    }
  }

  private void reached(PlacedSwitch each) {
    if (!each.use().isEnd()) {
      return;
    }
    try {
      for (MoveSequence.Timed move : axis.moves()) {
        if (each.isOperated(move.plan().to())) {
          add(
              Severity.ERROR,
              Rule.MOVE_RANGE,
              "a move leads to %s, where %s (%s) is operated"
                  .formatted(text(move.plan().to()), name(each), each.use().label()),
              "The end of the travel stops it there.",
              "Correct the move, or the place of the switch.");
          return;
        }
      }
    } catch (IllegalArgumentException outside) {
      // The checks of the axis name the move that leads outside its travel.
      return;
    }
  }

  private String name(PlacedSwitch each) {
    return wires.installation().device(each.part()).map(d -> d.device().name()).orElse(each.part());
  }

  private String text(double value) {
    return QuantityFormat.PLAIN.text(value, axis.unit());
  }

  private void add(Severity severity, Rule rule, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity,
            rule,
            "axis/%s/motion/switches-of-the-travel".formatted(assembly.axis().id()),
            seen,
            why,
            remedy));
  }
}
