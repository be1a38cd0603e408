package unimotus.core.way.pulse;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import unimotus.core.link.Draft;
import unimotus.core.machine.Condition;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Selector;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.stepper.SeriesResistor;
import unimotus.core.wiring.PlacedDevice;

/**
 * Leads outputs of the controller to the isolated inputs of a step driver in one of the three
 * schools, with a resistor where the voltage is over the input's window.
 */
final class PulseWiring {
  /** + joined; sinking outputs pull the minus ends (common practice). */
  static final String COMMON_ANODE = "common-anode";

  /** 0 V joined; sourcing outputs feed the plus ends (common practice). */
  static final String COMMON_CATHODE = "common-cathode";

  /** Both ends of each output (RS-422, from memory). */
  static final String LINE_DRIVER = "line-driver";

  private final Draft draft;
  private final String school;

  PulseWiring(Draft draft, String school) {
    this.draft = draft;
    this.school = school;
  }

  /**
   * Leads an output to the input that is made for a function, unless something ends there already.
   *
   * @throws IllegalArgumentException naming what the devices lack
   */
  void lead(String function) {
    TerminalRef plus = draft.input(function);
    Terminal input = Draft.terminal(draft.drive(), plus);
    String end = input.common();
    if (input.role() != TerminalRole.OPTO_INPUT || end == null) {
      throw new IllegalArgumentException(
          "%s (%s) has no isolated input with two ends for '%s'"
              .formatted(
                  draft.drive().device().name(),
                  draft.drive().sheet().name(),
                  function.replace('-', ' ')));
    }
    TerminalRef minus = draft.drive().ref(end);
    if (!draft.isFree(plus) || !draft.isFree(minus)) {
      return;
    }
    TerminalRef output =
        switch (school) {
          case COMMON_ANODE -> anode(input, plus, minus, function);
          case COMMON_CATHODE -> cathode(input, plus, minus, function);
          default -> lineDriver(plus, minus, function);
        };
    draft.mean(plus, function, new Condition(output.device(), output.terminal()));
  }

  private TerminalRef anode(Terminal input, TerminalRef plus, TerminalRef minus, String signal) {
    TerminalRef output = output(Option.SINK, TerminalRole.SINKING_OUTPUT);
    TerminalRef supply = draft.need(draft.controller(), TerminalRole.SUPPLY_24V);
    draft.wire(supply, plus, "common anode");
    double volts = Draft.terminal(draft.controller(), supply).figure(Figure.VOLTS);
    join(minus, output, volts - drop(output), input, signal);
    return output;
  }

  private TerminalRef cathode(Terminal input, TerminalRef plus, TerminalRef minus, String signal) {
    TerminalRef output = output(Option.SOURCE, TerminalRole.SOURCING_OUTPUT);
    draft.wire(draft.need(draft.controller(), TerminalRole.COMMON_0V), minus, "common cathode");
    join(output, plus, sourced(output) - drop(output), input, signal);
    return output;
  }

  private TerminalRef lineDriver(TerminalRef plus, TerminalRef minus, String signal) {
    PlacedDevice controller = draft.controller();
    TerminalRef output =
        draft
            .free(controller, TerminalRole.LINE_DRIVER)
            .orElseThrow(() -> Draft.lacking(controller, TerminalRole.LINE_DRIVER.label()));
    TerminalRef inverted = controller.commonOf(Draft.terminal(controller, output)).orElseThrow();
    draft.wire(output, plus, signal.replace('-', ' '));
    draft.wire(inverted, minus, signal.replace('-', ' ') + ", inverted");
    return output;
  }

  /** A pulse output that stands, or can be set, the right way; else a usual output. */
  private TerminalRef output(Option sense, TerminalRole usual) {
    PlacedDevice controller = draft.controller();
    Optional<TerminalRef> pulses =
        draft
            .free(controller, TerminalRole.PULSE_OUTPUT)
            .filter(t -> stands(controller, sense) || turned(controller, sense));
    return pulses
        .or(() -> draft.free(controller, usual))
        .orElseThrow(() -> Draft.lacking(controller, usual.label()));
  }

  private static boolean stands(PlacedDevice controller, Option sense) {
    return controller.is(SelectorRole.OUTPUT_LOGIC, sense, Option.SINK);
  }

  /** One jumper sets all pulse outputs: it may be turned while nothing hangs on any of them. */
  private boolean turned(PlacedDevice controller, Option sense) {
    boolean unwired =
        controller.sheet().terminals().stream()
            .filter(t -> t.role() == TerminalRole.PULSE_OUTPUT)
            .allMatch(t -> draft.isFree(controller.ref(t.id())));
    Optional<Selector> jumper = controller.sheet().selector(SelectorRole.OUTPUT_LOGIC);
    if (!unwired || jumper.isEmpty()) {
      return false;
    }
    draft.select(controller.device(), jumper.get().id(), sense.word());
    return true;
  }

  private double drop(TerminalRef output) {
    return Draft.terminal(draft.controller(), output).figure(Figure.DROP_VOLTS);
  }

  /**
   * The voltage a sourcing output gives: its own where it is switched to one, else the supply's.
   */
  private double sourced(TerminalRef output) {
    PlacedDevice controller = draft.controller();
    Terminal supply = Draft.terminal(controller, draft.need(controller, TerminalRole.SUPPLY_24V));
    double volts = supply.figure(Figure.VOLTS);
    boolean switched =
        Draft.terminal(controller, output).role() == TerminalRole.PULSE_OUTPUT
            && controller.sheet().selector(SelectorRole.OUTPUT_VOLTS).isPresent();
    return switched
        ? Double.parseDouble(
            controller.selector(SelectorRole.OUTPUT_VOLTS, "24 V").replace(" V", ""))
        : volts;
  }

  /** Joins two ends, over a resistor where the input would carry more than it bears. */
  private void join(
      TerminalRef from, TerminalRef to, double volts, Terminal input, String function) {
    String signal = function.replace('-', ' ');
    SeriesResistor.Input window =
        new SeriesResistor.Input(
            input.figure(Figure.FORWARD_VOLTS),
            input.figure(Figure.INPUT_OHMS),
            input.figure(Figure.ON_AMPERES),
            input.figure(Figure.BEARS_AMPERES));
    if (window.amperes(volts, 0) <= window.mostAmperes()) {
      draft.wire(from, to, signal);
      return;
    }
    PartSheet sheet = resistor(volts, window);
    PlacedDevice part = draft.part(sheet.id(), signal + " resistor");
    Terminal end = sheet.first(TerminalRole.RESISTOR).orElseThrow();
    draft.wire(from, part.ref(end.id()), signal);
    draft.wire(part.commonOf(end).orElseThrow(), to, signal);
  }

  private PartSheet resistor(double volts, SeriesResistor.Input window) {
    Optional<SeriesResistor> fitted = SeriesResistor.of(volts, window);
    if (fitted.isEmpty()) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT,
              "%.3g V on this input takes a resistor that no standard series has: use a lower voltage",
              volts));
    }
    double wanted = fitted.get().ohms();
    List<PartSheet> fitting =
        draft.partSheets().stream()
            .filter(s -> fits(s, volts, window))
            .sorted(Comparator.comparingDouble(s -> Math.abs(Math.log(ohms(s) / wanted))))
            .toList();
    if (fitting.isEmpty()) {
      throw new IllegalArgumentException(
          String.format(
              Locale.ROOT,
              "no sheet of a resistor fits: %.0f Ω, %s W are wanted before this input",
              wanted,
              fitted.get().ratedWatts()));
    }
    return fitting.get(0);
  }

  private static boolean fits(PartSheet sheet, double volts, SeriesResistor.Input window) {
    Optional<Terminal> end = sheet.first(TerminalRole.RESISTOR);
    if (end.isEmpty()) {
      return false;
    }
    double ohms = end.get().figure(Figure.OHMS);
    double amperes = window.amperes(volts, ohms);
    double bears = end.get().given(Figure.BEARS_WATTS).orElse(Double.POSITIVE_INFINITY);
    return amperes >= window.leastAmperes()
        && amperes <= window.mostAmperes()
        && amperes * amperes * ohms <= bears / 2;
  }

  private static double ohms(PartSheet sheet) {
    return sheet.first(TerminalRole.RESISTOR).orElseThrow().figure(Figure.OHMS);
  }
}
