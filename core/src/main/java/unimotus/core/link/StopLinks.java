package unimotus.core.link;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import unimotus.core.link.StopRequest.RelayClass;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Ids;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopApproach;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.StopUse;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.PlacedDevice;

/** Builds a stop by its intent: parts, wires, jumper, selectors and the drive's settings. */
public final class StopLinks {
  /** Capacitance of a drive's d.c. link for each kilowatt, in microfarads (common practice). */
  private static final double MICROFARADS_PER_KILOWATT = 100;

  private static final String SIGNAL = "stop circuit";

  private final Draft draft;
  private final StopRequest request;
  private final StopEnds ends;

  private StopLinks(Draft draft, StopRequest request) {
    this.draft = draft;
    this.request = request;
    this.ends = new StopEnds(draft, request);
  }

  /**
   * Builds a stop.
   *
   * @throws IllegalArgumentException naming what is missing, where the devices cannot carry it
   */
  public static LinkPlan plan(Project project, SheetCatalogue sheets, StopRequest request) {
    Draft draft = new Draft(project, sheets, request.axis());
    new StopLinks(draft, request).build();
    return new LinkPlan(draft.project(), draft.done());
  }

  private void build() {
    if (request.effect() == StopEffect.SS1_T && !(request.delaySeconds() > 0)) {
      throw new IllegalArgumentException(
          "safe stop 1: the delay must be over 0 s, not %s s; without a delay it is safe torque off"
              .formatted(request.delaySeconds()));
    }
    if (request.logic() == StopLogic.RELAY_CHAIN) {
      chain();
      return;
    }
    if (request.logic() == StopLogic.RELAY_CONTACTORS
        && request.effect() != StopEffect.CONTACTORS) {
      throw new IllegalArgumentException(
          "%s stops by contactors, not by %s"
              .formatted(request.logic().label(), request.effect().label()));
    }
    List<TerminalRef> stopping = ends.stopping();
    PlacedDevice trigger = draft.part(request.trigger().sheet(), word(request.trigger()));
    if (request.logic().hasRelay()) {
      overRelay(trigger, stopping);
    } else {
      direct(trigger, stopping);
    }
  }

  private static String word(StopTrigger trigger) {
    return trigger.name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  private void chain() {
    if (!draft.isFree(draft.input("run-forward"))) {
      throw new IllegalArgumentException(
          "the relay chain ends on %s, which is wired already: remove the run link first"
              .formatted(draft.input("run-forward")));
    }
    ends.bridgeSafeTorqueOff();
    List<String> made = InterlockLinks.chain(draft);
    keep(List.of(made.get(0)), null, null, List.of(made.get(1)), StopEffect.RUN_INPUTS);
  }

  /** Contacts straight into what stops, fed by the drive's test pulses where it has them. */
  private void direct(PlacedDevice trigger, List<TerminalRef> stopping) {
    boolean safeTorqueOff = request.effect().usesSafeTorqueOff();
    boolean tested = safeTorqueOff && isCurtain(trigger);
    List<TerminalRef> feeds = new ArrayList<>();
    if (safeTorqueOff && !isCurtain(trigger)) {
      feeds.addAll(StopEnds.all(draft.drive(), TerminalRole.TEST_PULSE_OUTPUT));
      tested = feeds.size() >= stopping.size();
    }
    if (safeTorqueOff) {
      draft.select(
          draft.drive(),
          SelectorRole.SAFETY_INPUT_KIND,
          tested ? Option.PULSE_TESTED : Option.CONTACT);
    }
    if (feeds.size() < stopping.size()) {
      feeds = new ArrayList<>(List.of(feed(), feed()));
    }
    throughTrigger(trigger, feeds, stopping);
    keep(List.of(trigger.id()), null, null, coils(stopping), request.effect());
    mean(trigger, stopping);
  }

  private TerminalRef feed() {
    return switch (request.effect()) {
      case STO, SS1_T -> draft.need(draft.drive(), TerminalRole.SUPPLY_24V);
      case ENABLE -> new Feeds(draft).overContact();
      default -> draft.need(draft.controller(), TerminalRole.SUPPLY_24V);
    };
  }

  private void overRelay(PlacedDevice trigger, List<TerminalRef> stopping) {
    PlacedDevice relay = draft.part(request.relay().sheet(), "safety relay");
    TerminalRef plus = draft.need(draft.controller(), TerminalRole.SUPPLY_24V);
    TerminalRef zero = draft.need(draft.controller(), TerminalRole.COMMON_0V);
    draft.wire(plus, relay.ref("A1"), SIGNAL);
    draft.wire(relay.ref("A2"), zero, SIGNAL);
    draft.select(
        relay,
        SelectorRole.CROSS_FAULT_DETECTION,
        request.crossFaultDetection() && !isCurtain(trigger) ? Option.ON : Option.OFF);
    draft.select(
        relay, SelectorRole.RESET_MODE, request.manualReset() ? Option.MANUAL : Option.AUTOMATIC);
    channels(trigger, relay);
    List<String> coils = coils(stopping);
    String button = resetLoop(relay, plus, coils);
    if (request.effect().usesSafeTorqueOff()) {
      draft.select(draft.drive(), SelectorRole.SAFETY_INPUT_KIND, Option.CONTACT);
    }
    outputs(relay, stopping);
    keep(List.of(trigger.id()), relay.id(), button, coils, request.effect());
    mean(trigger, stopping);
  }

  /** Each channel over a contact of its own; the one of opposite polarity back to 0 V. */
  private void channels(PlacedDevice trigger, PlacedDevice relay) {
    List<TerminalRef> feeds = new ArrayList<>(StopEnds.all(relay, TerminalRole.TEST_PULSE_OUTPUT));
    if (request.relay() == RelayClass.OPPOSITE) {
      feeds.add(relay.ref("A2"));
    } else if (feeds.size() == 1) {
      feeds.add(feeds.get(0));
    }
    if (request.relay() == RelayClass.OPPOSITE && isCurtain(trigger)) {
      throw new IllegalArgumentException(
          "a light curtain gives 24 V on both channels: a relay of opposite polarity cannot take them");
    }
    throughTrigger(trigger, feeds, StopEnds.all(relay, TerminalRole.SAFETY_INPUT));
  }

  /** From 24 V over the mirror contacts, and the reset button where there is one. */
  private @Nullable String resetLoop(PlacedDevice relay, TerminalRef plus, List<String> coils) {
    TerminalRef at = plus;
    for (String coil : coils) {
      draft.wire(at, new TerminalRef(coil, "21"), "feedback");
      at = new TerminalRef(coil, "22");
    }
    String button = null;
    if (request.manualReset()) {
      PlacedDevice placed = draft.part("reset-button", "reset");
      draft.wire(at, placed.ref("13"), "reset");
      at = placed.ref("14");
      button = placed.id();
    }
    draft.wire(at, draft.need(relay, TerminalRole.RESET_INPUT), "reset");
    return button;
  }

  private void outputs(PlacedDevice relay, List<TerminalRef> stopping) {
    boolean late = request.effect() == StopEffect.SS1_T && request.relay() == RelayClass.DELAYED;
    List<Terminal> contacts =
        relay.sheet().terminals().stream()
            .filter(t -> t.closedIn().contains(PartSheet.ENERGISED))
            .filter(t -> t.given(Figure.DELAY_SECONDS).isPresent() == late)
            .toList();
    TerminalRef feed = feed();
    TerminalRef at = feed;
    for (int i = 0; i < 2; i++) {
      Terminal contact = contacts.get(i);
      draft.wire(at, relay.ref(String.valueOf(contact.common())), SIGNAL);
      if (stopping.size() > 1) {
        draft.wire(relay.ref(contact.id()), stopping.get(i), SIGNAL);
      } else {
        at = relay.ref(contact.id());
      }
    }
    if (stopping.size() == 1) {
      draft.wire(at, stopping.get(0), SIGNAL);
    }
    if (late) {
      ramp(relay);
    }
  }

  /** Leads the run commands over the contacts that open at once, so that the drive ramps down. */
  private void ramp(PlacedDevice relay) {
    List<Terminal> free =
        new ArrayList<>(
            relay.sheet().terminals().stream()
                .filter(t -> t.closedIn().contains(PartSheet.ENERGISED))
                .filter(t -> t.given(Figure.DELAY_SECONDS).isEmpty())
                .toList());
    for (String function : List.of("run-forward", "run-reverse")) {
      TerminalRef input = draft.inputSetTo(function).orElse(null);
      if (input != null && !draft.isFree(input) && !free.isEmpty()) {
        Terminal contact = free.remove(0);
        draft.cutInto(
            input, relay.ref(String.valueOf(contact.common())), relay.ref(contact.id()), SIGNAL);
      }
    }
  }

  /** Leads each channel through the trigger; one channel alone through both its contacts. */
  private void throughTrigger(
      PlacedDevice trigger, List<TerminalRef> feeds, List<TerminalRef> ends) {
    if (isCurtain(trigger)) {
      PlacedDevice feeder = request.logic().hasRelay() ? draft.controller() : draft.drive();
      draft.wire(
          draft.need(feeder, TerminalRole.SUPPLY_24V),
          draft.need(trigger, TerminalRole.POWER_INPUT),
          SIGNAL);
      draft.wire(draft.need(trigger, TerminalRole.JUNCTION), feeder.zero().orElseThrow(), SIGNAL);
      List<TerminalRef> outputs = StopEnds.all(trigger, TerminalRole.SAFETY_OUTPUT);
      for (int i = 0; i < ends.size(); i++) {
        draft.wire(outputs.get(i), ends.get(i), SIGNAL);
      }
      return;
    }
    List<Terminal> contacts =
        trigger.sheet().terminals().stream()
            .filter(t -> t.role() == TerminalRole.RELAY_CONTACT && t.common() != null)
            .toList();
    TerminalRef at = feeds.get(0);
    for (int i = 0; i < contacts.size(); i++) {
      Terminal contact = contacts.get(i);
      draft.wire(at, trigger.ref(String.valueOf(contact.common())), SIGNAL);
      at = trigger.ref(contact.id());
      if (i < ends.size() && (ends.size() > 1 || i == contacts.size() - 1)) {
        draft.wire(at, ends.get(i), SIGNAL);
        at = feeds.get(Math.min(i + 1, feeds.size() - 1));
      }
    }
    if (ends.size() == 1 && contacts.size() > 1) {
      draft.wire(at, ends.get(0), SIGNAL);
    }
  }

  private static boolean isCurtain(PlacedDevice trigger) {
    return trigger.sheet().first(TerminalRole.SAFETY_OUTPUT).isPresent();
  }

  private List<String> coils(List<TerminalRef> stopping) {
    return request.effect() == StopEffect.CONTACTORS
        ? stopping.stream().map(TerminalRef::device).toList()
        : List.of();
  }

  /** Notes when the drive's stopping inputs are meant to read on. */
  private void mean(PlacedDevice trigger, List<TerminalRef> stopping) {
    if (request.effect() == StopEffect.CONTACTORS) {
      return;
    }
    String rest = ((PartSheet) trigger.sheet()).positions().get(0);
    String meaning = request.effect() == StopEffect.ENABLE ? "enable" : "torque-permitted";
    Condition released = new Condition(trigger.id(), rest);
    stopping.forEach(s -> draft.mean(s, meaning, released));
    draft.cutInputs().forEach(i -> draft.meanOnlyWhen(i, released));
  }

  private void keep(
      List<String> triggers,
      @Nullable String relay,
      @Nullable String button,
      List<String> contactors,
      StopEffect effect) {
    Project project = draft.project();
    List<String> taken = project.stops().stream().map(StopFunction::id).toList();
    double kilowatts = draft.axis().driveSheet().ratings().powerWatts() / 1000;
    draft.replace(
        project.with(
            new StopFunction(
                Ids.from(request.name(), taken),
                request.name(),
                request.axis(),
                request.trigger(),
                request.logic(),
                effect,
                triggers,
                relay,
                button,
                contactors,
                false,
                false,
                MICROFARADS_PER_KILOWATT * kilowatts,
                StopUse.USUAL.withApproach(StopApproach.usual(request.trigger())))));
  }
}
