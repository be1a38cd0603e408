package unimotus.core.discrete;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.PlacedPart;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;
import unimotus.core.wiring.Level;
import unimotus.core.wiring.TruthTable;

/**
 * What turning a selector to Hand does: whether the motor starts, and whose reference it follows.
 *
 * <p>Whoever owns the manual request owns the reference, and blocks all others: with the request at
 * another port, or not wired, Hand starts the motor and the local potentiometer does nothing
 * (common practice).
 *
 * @param selector id of the selector
 * @param input the input Hand closes that starts the motor
 * @param start what that input takes
 * @param requested whether Hand closes a manual-request input as well
 * @param owner the port the drive's settings give the manual request to
 */
public record HandMode(
    String selector, TerminalRef input, Start start, boolean requested, Option owner) {
  /** Turns the start race is played for. */
  public static final int TURNS = 1000;

  private static final double DELAY_SECONDS = 0.2;
  private static final long SEED = 1;
  private static final String HAND = "hand";

  /** What starts the motor in Hand. */
  public enum Start {
    /** A latched start that is looked at together with the stop. */
    PLAIN(Meaning.START, "start"),
    /** A latched start that is looked at a little later. */
    DELAYED(Meaning.START_DELAYED, "start"),
    /** A contact that stays closed. */
    MAINTAINED(Meaning.RUN_FORWARD, "run");

    private final Meaning meaning;
    private final String word;

    Start(Meaning meaning, String word) {
      this.meaning = meaning;
      this.word = word;
    }
  }

  /** What Hand does on an axis, one a selector that starts in Hand; possibly empty. */
  public static List<HandMode> of(AxisAssembly axis, TruthTable table) {
    List<HandMode> modes = new ArrayList<>();
    for (PlacedPart part : axis.parts()) {
      table.rows().stream()
          .filter(r -> HAND.equals(r.state().positions().get(part.part().id())))
          .findFirst()
          .flatMap(row -> of(axis, part.part().id(), row))
          .ifPresent(modes::add);
    }
    return modes;
  }

  /** What Hand does on an axis, looked at in that position alone. */
  public static List<HandMode> inHand(AxisAssembly axis) {
    return of(axis, TruthTable.of(axis, s -> s.on().isEmpty() && isHandAlone(s.positions())));
  }

  private static boolean isHandAlone(Map<String, String> positions) {
    return positions.size() == 1 && positions.containsValue(HAND);
  }

  private static Optional<HandMode> of(AxisAssembly axis, String selector, TruthTable.Row hand) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    boolean twoWire = settings.is(SettingRole.CONTROL_WIRING, Option.TWO_WIRE, Option.TWO_WIRE);
    return Stream.of(Start.values())
        .filter(s -> s != Start.MAINTAINED || twoWire)
        .flatMap(
            s ->
                on(axis, settings, hand, s.meaning.word())
                    .map(input -> of(axis, settings, selector, input, s, hand))
                    .stream())
        .findFirst();
  }

  private static HandMode of(
      AxisAssembly axis,
      EffectiveSettings settings,
      String selector,
      TerminalRef input,
      Start start,
      TruthTable.Row hand) {
    return new HandMode(
        selector,
        input,
        start,
        on(axis, settings, hand, Meaning.MANUAL_REQUEST.word()).isPresent(),
        settings.option(SettingRole.MANUAL_OWNER, Option.TERMINALS));
  }

  private static Optional<TerminalRef> on(
      AxisAssembly axis, EffectiveSettings settings, TruthTable.Row row, String function) {
    return settings
        .inputFor(function)
        .map(t -> new TerminalRef(axis.drive().id(), t))
        .filter(t -> row.cells().containsKey(t) && row.cells().get(t).level() == Level.ON);
  }

  /** Whether the local potentiometer sets the speed in Hand. */
  public boolean followsPotentiometer() {
    return requested && owner == Option.TERMINALS;
  }

  /** How many of {@value #TURNS} turns to Hand start the motor, by the race of its contacts. */
  public int startsOfThousand() {
    return start == Start.MAINTAINED
        ? TURNS
        : StartRace.usual(start == Start.DELAYED ? DELAY_SECONDS : 0)
            .starts(TURNS, new Random(SEED));
  }

  /** What is wrong with it; possibly empty. */
  List<Finding> findings(String axisId) {
    List<Finding> found = new ArrayList<>();
    if (start == Start.PLAIN) {
      found.add(
          finding(
              axisId,
              Rule.START_RACE,
              "Hand closes stop and start together: of %d turns played in time %d start"
                  .formatted(TURNS, startsOfThousand()),
              "Both edges may fall into one scan of the drive: stop is not yet satisfied and the start is lost.",
              "Assign the delayed start, or put a delay relay before the start input."));
    }
    if (!followsPotentiometer()) {
      found.add(
          finding(
              axisId,
              Rule.HAND_REFERENCE,
              requested
                  ? "Hand closes the manual request, but the drive gives it to the " + owner.word()
                  : "Hand closes %s, but no manual-request input".formatted(start.word),
              "The motor starts in Hand and follows another reference than the potentiometer at the machine.",
              requested
                  ? "Give the manual request back to the terminals before Hand is used."
                  : "Set an input to manual request and wire the selector's third contact to it."));
    }
    return found;
  }

  private Finding finding(String axisId, Rule rule, String seen, String why, String remedy) {
    return new Finding(
        Severity.WARNING,
        rule,
        "axis/%s/%s/%s".formatted(axisId, input.device(), input.terminal()),
        seen,
        why,
        remedy);
  }
}
