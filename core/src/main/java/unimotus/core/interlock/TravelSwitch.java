package unimotus.core.interlock;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.MotionDesign;
import unimotus.core.machine.TerminalRef;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.wiring.CommandState;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.LineSolution;
import unimotus.core.wiring.LineSolver;
import unimotus.core.wiring.PlacedDevice;

/**
 * A switch along the travel of a positioning axis, as its drive sees it over the solved wires. A
 * limit input that reads off is a limit that is reached, so that a broken wire stops the axis too
 * (common practice); a home input that reads on is home.
 *
 * @param kind what it is for
 * @param input the input of the drive that is set to it
 * @param isWired whether any wire is on that input
 * @param device name of the switch that changes the input; null where none does
 * @param onFree whether the input reads on while the switch is free
 * @param onOperated whether it does while the switch is operated
 */
public record TravelSwitch(
    Kind kind,
    TerminalRef input,
    boolean isWired,
    @Nullable String device,
    boolean onFree,
    boolean onOperated) {

  /** What a switch is for. */
  public enum Kind {
    NEGATIVE_LIMIT("limit-negative", "negative limit"),
    POSITIVE_LIMIT("limit-positive", "positive limit"),
    HOME("home-switch", "home");

    private final String function;
    private final String label;

    Kind(String function, String label) {
      this.function = function;
      this.label = label;
    }

    /** The words shown. */
    public String label() {
      return label;
    }
  }

  /** Whether the drive takes it for acting while it is free. */
  public boolean actsFree() {
    return kind == Kind.HOME ? onFree : !onFree;
  }

  /** Whether the drive takes it for acting while it is operated. */
  public boolean actsOperated() {
    return kind == Kind.HOME ? onOperated : !onOperated;
  }

  /**
   * The switches of an axis whose inputs are set to them; the first input with a function is of the
   * drive's first axis, the next of its second. Possibly empty.
   */
  public static List<TravelSwitch> of(AxisAssembly axis) {
    MotionDesign motion = axis.axis().motion();
    if (!axis.isServo() || motion == null) {
      return List.of();
    }
    Search search = new Search(axis);
    return Stream.of(Kind.values())
        .flatMap(
            kind -> search.input(kind, motion.driveAxis()).stream().map(i -> search.seen(kind, i)))
        .toList();
  }

  /** Findings of one axis; none where no wire is on an input of its switches. */
  public static List<Finding> check(AxisAssembly axis) {
    List<TravelSwitch> all = of(axis);
    List<Finding> found = new ArrayList<>();
    if (all.stream().anyMatch(TravelSwitch::isWired)) {
      all.forEach(s -> s.fault().ifPresent(seen -> found.add(s.finding(axis, seen))));
    }
    return found;
  }

  private Optional<String> fault() {
    if (device == null) {
      return Optional.of(
          "no switch changes %s, set to %s; it reads %s whatever is operated"
              .formatted(input, kind.label, onFree ? "on" : "off"));
    }
    return kind != Kind.HOME && actsFree()
        ? Optional.of(
            "%s reads off while %s is free: it closes where it should open"
                .formatted(input, device))
        : Optional.empty();
  }

  private Finding finding(AxisAssembly axis, String seen) {
    boolean stops = kind != Kind.HOME && actsFree();
    return new Finding(
        stops ? Severity.ERROR : Severity.WARNING,
        Rule.LIMIT_SWITCH,
        "axis/%s/%s/%s".formatted(axis.axis().id(), input.device(), input.terminal()),
        seen,
        stops
            ? "The drive takes its limit for reached and does not run that way; a broken wire would not be told from a free switch."
            : kind == Kind.HOME
                ? "Homing on the switch runs to the limit and fails."
                : "Nothing but the software limit ends the travel.",
        kind == Kind.HOME
            ? "Wire the switch between the 24 V of the drive and the input."
            : "Wire the opening contact of the switch between the 24 V of the drive and the input.");
  }

  /** Looks at the inputs of one axis with every switch free and operated. */
  private static final class Search {
    private static final String OPERATED = "operated";

    private final AxisAssembly axis;
    private final EffectiveSettings settings;
    private final Installation installation;
    private final LineSolver solver;
    private final LineSolution rest;

    Search(AxisAssembly axis) {
      this.axis = axis;
      settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
      installation = Installation.of(axis);
      solver = new LineSolver(installation);
      rest = solver.solve(CommandState.REST);
    }

    Optional<TerminalRef> input(Kind kind, int driveAxis) {
      return axis.driveSheet().terminals().stream()
          .map(Terminal::id)
          .filter(t -> settings.functionOf(t).filter(kind.function::equals).isPresent())
          .skip(driveAxis - 1L)
          .map(t -> new TerminalRef(axis.drive().id(), t))
          .findFirst();
    }

    TravelSwitch seen(Kind kind, TerminalRef input) {
      boolean wired = axis.wires().stream().anyMatch(w -> w.touches(input));
      boolean free = rest.isOn(input);
      if (wired) {
        for (PlacedDevice device : installation.devices()) {
          if (device.sheet() instanceof PartSheet part && part.positions().contains(OPERATED)) {
            boolean on =
                solver.solve(CommandState.REST.withPosition(device.id(), OPERATED)).isOn(input);
            if (on != free) {
              return new TravelSwitch(kind, input, true, device.device().name(), free, on);
            }
          }
        }
      }
      return new TravelSwitch(kind, input, wired, null, free, free);
    }
  }
}
