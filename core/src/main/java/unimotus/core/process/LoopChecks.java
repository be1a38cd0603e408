package unimotus.core.process;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import unimotus.core.analog.SignalRange;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.TerminalRef;
import unimotus.core.process.SleepDoubt.Cure;
import unimotus.core.process.SleepDoubt.Kind;
import unimotus.core.process.SleepDoubt.Setting;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;

/** What is wrong with the loop of a drive as it is set, before anybody stands beside the pump. */
public final class LoopChecks {
  private static final List<SettingRole> NEEDED =
      List.of(
          SettingRole.LOOP_FEEDBACK,
          SettingRole.LOOP_LOW,
          SettingRole.LOOP_HIGH,
          SettingRole.LOOP_GAIN,
          SettingRole.LOOP_INTEGRAL,
          SettingRole.MAXIMUM_FREQUENCY,
          SettingRole.ACCELERATION_TIME);
  private static final List<SettingRole> OF_SLEEP =
      List.of(SettingRole.SLEEP_DELAY, SettingRole.WAKE_DEVIATION);

  private final AxisAssembly axis;
  private final LoopOfDrive loop;
  private final List<Finding> found = new ArrayList<>();

  private LoopChecks(AxisAssembly axis, LoopOfDrive loop) {
    this.axis = axis;
    this.loop = loop;
  }

  /** Findings of one axis; empty where its drive's loop is not used. */
  public static List<Finding> check(AxisAssembly axis) {
    return LoopOfDrive.of(axis).map(l -> new LoopChecks(axis, l).all()).orElse(List.of());
  }

  private List<Finding> all() {
    String missing = missing(NEEDED);
    if (!missing.isEmpty()) {
      add(
          SettingRole.REFERENCE_SOURCE,
          Severity.ERROR,
          Rule.LOOP_SETTINGS,
          "the sheet of the drive states no " + missing,
          "Nothing can be told of its loop.",
          "Complete the sheet, or take the reference from elsewhere.");
      return found;
    }
    feedback();
    setpoint();
    numbers();
    return found;
  }

  /** Settings that the drive does not have, in words; empty where it has them all. */
  private String missing(List<SettingRole> needed) {
    return needed.stream()
        .filter(r -> loop.setting(r).isEmpty())
        .map(r -> r.name().toLowerCase(Locale.ROOT).replace('_', ' '))
        .collect(Collectors.joining(", no "));
  }

  private boolean isWired(String terminal) {
    TerminalRef at = new TerminalRef(axis.drive().id(), terminal);
    return axis.wires().stream().anyMatch(w -> w.touches(at));
  }

  private void setpoint() {
    String from = loop.setpointSource();
    if (axis.driveSheet().terminal(from).isPresent() && !isWired(from)) {
      add(
          SettingRole.SETPOINT_SOURCE,
          Severity.ERROR,
          Rule.LOOP_SETTINGS,
          "the set-point is taken from %s, where nothing is wired".formatted(from),
          "The low end of its signal is held, whatever is wanted.",
          "Wire it, or take the set-point from the keypad.");
    }
  }

  private void feedback() {
    Optional<String> input = loop.feedback();
    if (input.isEmpty()) {
      add(
          SettingRole.LOOP_FEEDBACK,
          Severity.ERROR,
          Rule.LOOP_FEEDBACK,
          "the loop has no input for its feedback",
          "It runs to a limit and stays there.",
          "Choose the input that the transmitter is wired to.");
      return;
    }
    String terminal = input.get();
    if (!isWired(terminal)) {
      add(
          SettingRole.LOOP_FEEDBACK,
          Severity.ERROR,
          Rule.LOOP_FEEDBACK,
          "the feedback is taken from %s, where nothing is wired".formatted(terminal),
          unseen(),
          "Wire the transmitter to it, or choose the input it is wired to.");
    }
    signal(terminal);
    if (loop.setpointSource().equals(terminal)) {
      add(
          SettingRole.SETPOINT_SOURCE,
          Severity.ERROR,
          Rule.LOOP_FEEDBACK,
          "set-point and feedback both come from %s".formatted(terminal),
          "They are never apart: the output does not change.",
          "Take one of them from elsewhere.");
    }
  }

  private void signal(String terminal) {
    String word =
        loop.settings().choice(SettingRole.ANALOG_RANGE, terminal, SignalRange.V_0_10.label());
    Optional<SignalRange> range = SignalRange.ofLabel(word);
    if (range.isEmpty()) {
      return;
    }
    Option wanted = range.get().isCurrent() ? Option.CURRENT : Option.VOLTAGE;
    if (!loop.settings().is(SelectorRole.INPUT_KIND, terminal, wanted, wanted)) {
      add(
          SettingRole.LOOP_FEEDBACK,
          Severity.ERROR,
          Rule.LOOP_FEEDBACK,
          "the feedback at %s is set to %s, its switch is not on %s"
              .formatted(terminal, word, wanted.word()),
          "What is read is not what is measured.",
          "Put the switch of %s to %s.".formatted(terminal, wanted.word()));
    }
    boolean isSeen =
        range.get().hasLiveZero()
            && !loop.settings().is(SettingRole.LOSS_ACTION, terminal, Option.NONE, Option.NONE);
    if (!isSeen) {
      String code =
          axis.driveSheet()
              .setting(SettingRole.LOSS_ACTION, terminal)
              .map(SettingDefinition::code)
              .orElse(terminal);
      add(
          code,
          Severity.WARNING,
          Rule.LOOP_FEEDBACK_LOST,
          range.get().hasLiveZero()
              ? "nothing is done when the feedback at %s is lost".formatted(terminal)
              : "a feedback of %s that is lost is read as %s"
                  .formatted(word, number(loop.settings().number(SettingRole.LOOP_LOW, 0))),
          unseen(),
          range.get().hasLiveZero()
              ? "Set what the drive does without it: a fault, or holding its output."
              : "Use 4-20 mA and set what the drive does without it.");
    }
  }

  /** What the loop does with a feedback that reads the low end. */
  private String unseen() {
    return loop.raises()
        ? "The low end is read: the loop runs to the maximum and stays there."
        : "The low end is read: the loop goes down to its least output, and nothing is cooled or"
            + " emptied.";
  }

  private void numbers() {
    LoopSettings settings;
    try {
      loop.range();
    } catch (IllegalArgumentException none) {
      refuse(SettingRole.LOOP_HIGH, none);
      return;
    }
    try {
      settings = loop.loop();
    } catch (IllegalArgumentException none) {
      refuse(culprit(), none);
      return;
    }
    if (Double.isInfinite(settings.integralSeconds())) {
      add(
          SettingRole.LOOP_INTEGRAL,
          Severity.WARNING,
          Rule.LOOP_SETTINGS,
          "the loop has no integral part",
          "It holds the feedback off the set-point, by the more the more is drawn.",
          "Set an integral time.");
    }
    sleep(settings);
  }

  /** Which setting a loop cannot have. */
  private SettingRole culprit() {
    double maximum = loop.settings().number(SettingRole.MAXIMUM_FREQUENCY, 0);
    if (maximum <= 0) {
      return SettingRole.MAXIMUM_FREQUENCY;
    }
    if (!loop.range().has(loop.setPoint())) {
      return SettingRole.SETPOINT;
    }
    if (loop.minimumHertz() > maximum) {
      return loop.settings().number(SettingRole.LOOP_MINIMUM, 0) > maximum
          ? SettingRole.LOOP_MINIMUM
          : SettingRole.MINIMUM_FREQUENCY;
    }
    return loop.settings().number(SettingRole.LOOP_GAIN, 0) > 0
        ? SettingRole.LOOP_INTEGRAL
        : SettingRole.LOOP_GAIN;
  }

  private void refuse(SettingRole role, IllegalArgumentException none) {
    add(
        role,
        Severity.ERROR,
        Rule.LOOP_SETTINGS,
        String.valueOf(none.getMessage()),
        "The loop cannot hold anything so.",
        "Enter a value within the limit.");
  }

  private void sleep(LoopSettings settings) {
    String missing = missing(OF_SLEEP);
    if (loop.settings().number(SettingRole.SLEEP_LEVEL, 0) > 0 && !missing.isEmpty()) {
      add(
          SettingRole.SLEEP_LEVEL,
          Severity.WARNING,
          Rule.LOOP_SETTINGS,
          "the sheet of the drive states no " + missing,
          "Nothing can be told of when it sleeps and wakes.",
          "Complete the sheet.");
      return;
    }
    SleepWindow window;
    try {
      window = new SleepWindow(settings, loop.sleep(), null, 0);
    } catch (IllegalArgumentException none) {
      boolean byDelay = loop.settings().number(SettingRole.SLEEP_DELAY, 0) <= 0;
      refuse(byDelay ? SettingRole.SLEEP_DELAY : SettingRole.WAKE_DEVIATION, none);
      return;
    }
    startsByItself(window.sleep());
    for (SleepDoubt doubt : window.doubts()) {
      boolean starting = doubt.kind() == Kind.STARTING || doubt.kind() == Kind.OVER_MAXIMUM;
      add(
          doubt.kind() == Kind.NO_WAKING ? SettingRole.WAKE_DEVIATION : SettingRole.SLEEP_LEVEL,
          starting ? Severity.ERROR : Severity.WARNING,
          starting ? Rule.ASLEEP_AT_START : Rule.SLEEP_LEVEL,
          "%s: %s".formatted(doubt.kind().label(), doubt.seen()),
          why(doubt.kind()),
          remedy(doubt));
    }
  }

  private void startsByItself(SleepSettings sleep) {
    if (sleep.sleeps()) {
      add(
          SettingRole.SLEEP_LEVEL,
          Severity.NOTE,
          Rule.STARTS_BY_ITSELF,
          "asleep, it starts without a command when the feedback is %s %s off"
              .formatted(number(sleep.wakeDeviation()), loop.unit())
              .replace("  ", " "),
          "A pump that stands still may start while somebody works on it.",
          "Lock it off before anybody works on it, and put a label beside it.");
    }
  }

  private static String why(Kind kind) {
    return switch (kind) {
      case STARTING, OVER_MAXIMUM ->
          "It starts, goes to sleep, wakes and starts again, and moves next to nothing.";
      case NO_WAKING -> "Once asleep it does not start again by itself.";
      default -> "It runs on where it could stand.";
    };
  }

  /** Each single setting that cures, with its number. */
  private String remedy(SleepDoubt doubt) {
    String each =
        doubt.cures().stream()
            .filter(c -> loop.setting(c.setting().role()).isPresent())
            .map(this::words)
            .collect(Collectors.joining("; or "));
    return each.isEmpty() ? "No single setting cures it: level and ramp together." : each + ".";
  }

  private String words(Cure cure) {
    String code = loop.setting(cure.setting().role()).map(SettingDefinition::code).orElseThrow();
    String unit =
        cure.setting() == Setting.DEVIATION ? loop.unit() : cure.setting().unit().symbol();
    return "%s %s %s %s %s"
        .formatted(
            cure.setting().label(),
            code,
            cure.isUnder() ? "under" : "over",
            number(outward(cure)),
            unit)
        .strip();
  }

  /** Rounded so that what is beyond the number told is beyond the limit itself. */
  private static double outward(Cure cure) {
    double hundredths = cure.limit() * 100;
    return (cure.isUnder() ? Math.floor(hundredths + 1e-6) : Math.ceil(hundredths - 1e-6)) / 100;
  }

  private static String number(double value) {
    return QuantityFormat.PLAIN.number(value);
  }

  private void add(
      SettingRole role, Severity severity, Rule rule, String seen, String why, String remedy) {
    String code = loop.setting(role).map(SettingDefinition::code).orElse(role.name());
    add(code, severity, rule, seen, why, remedy);
  }

  private void add(
      String code, Severity severity, Rule rule, String seen, String why, String remedy) {
    found.add(
        new Finding(
            severity,
            rule,
            "axis/%s/drive/%s".formatted(axis.axis().id(), code),
            seen,
            why,
            remedy));
  }
}
