package unimotus.core.way;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.Answer;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Unusable;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.Pairing;
import unimotus.core.path.AnswerModule;
import unimotus.core.path.AnswerPath;
import unimotus.core.path.AnswerProgram;
import unimotus.core.path.Chain;
import unimotus.core.path.Channels;
import unimotus.core.path.Commanded;
import unimotus.core.path.DriveAnswer;
import unimotus.core.path.DrivenShaft;
import unimotus.core.path.GearTrain;
import unimotus.core.path.InductionMotor;
import unimotus.core.path.MotorLink;
import unimotus.core.path.MotorPoles;
import unimotus.core.path.PathChecks;
import unimotus.core.path.PathFindings;
import unimotus.core.path.ProgramScale;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SlipStage;
import unimotus.core.path.SpeedLink;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.sheet.MotorKind;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SettingRole;

/** Builds the signal path of an axis from its design. */
public final class PathFactory {
  private PathFactory() {}

  /** What stands between a drive's input and its shaft. */
  private static final Set<SettingRole> OF_THE_PATH =
      EnumSet.of(
          SettingRole.MINIMUM_FREQUENCY,
          SettingRole.MAXIMUM_FREQUENCY,
          SettingRole.RAMP_BASE_FREQUENCY,
          SettingRole.ACCELERATION_TIME,
          SettingRole.DECELERATION_TIME,
          SettingRole.STOP_MODE,
          SettingRole.SLIP_COMPENSATION);

  /** Why an axis has no signal path that anything could be told of; empty where it has one. */
  public static Optional<String> fault(AxisAssembly axis) {
    Optional<String> motor = Pairing.fault(axis).or(() -> notModelled(axis));
    if (motor.isPresent()) {
      return motor;
    }
    Optional<String> plate = plateFault(axis);
    if (plate.isPresent()) {
      return plate;
    }
    Reference reference = axis.axis().reference();
    Answer answer = axis.axis().answer();
    Optional<String> point =
        missing(axis.controllerSheet(), axis.controller().name(), reference.output())
            .or(() -> missing(axis.driveSheet(), axis.drive().name(), reference.input()))
            .or(() -> missing(axis.driveSheet(), axis.drive().name(), answer.output()))
            .or(() -> missing(axis.controllerSheet(), axis.controller().name(), answer.input()));
    return point
        .or(() -> unusable(axis, reference, answer))
        .or(() -> Ways.conflict(axis))
        .or(() -> Ways.of(axis).fault(axis))
        .or(() -> unanswered(axis))
        .or(() -> unlike(axis));
  }

  /** The ends of the number are entered once, for what one quantity means by them. */
  private static Optional<String> unlike(AxisAssembly axis) {
    Commanded main = Ways.of(axis).link(axis).commands();
    return Ways.beside(axis).stream()
        .filter(w -> w.fault(axis).isEmpty())
        .filter(w -> w.link(axis).commands() != main)
        .findFirst()
        .map(
            w ->
                "it commands a %s, but a %s where it is commanded %s"
                    .formatted(main.word(), w.link(axis).commands().word(), w.name()));
  }

  /** What comes back over the wires tells a speed, and only that. */
  private static Optional<String> unanswered(AxisAssembly axis) {
    Commanded commanded = Ways.of(axis).link(axis).commands();
    return axis.axis().answer().isWired() && commanded != Commanded.SPEED
        ? Optional.of(
            "its answer at %s is a speed, but it commands a %s"
                .formatted(axis.axis().answer().output(), commanded.word()))
        : Optional.empty();
  }

  /** A servo is commanded by positions; speeds are worked out for induction motors only. */
  private static Optional<String> notModelled(AxisAssembly axis) {
    MotorKind kind = axis.motor().plate().kind();
    if (kind == MotorKind.INDUCTION || axis.isPositioned() || axis.isStepped()) {
      return Optional.empty();
    }
    String name = "%s is a %s".formatted(axis.motor().name(), kind.label());
    return Optional.of(
        kind == MotorKind.PERMANENT_MAGNET
            ? name + ": it is commanded by positions, see Motion at Map"
            : name + ": its path is not calculated yet");
  }

  private static Optional<String> plateFault(AxisAssembly axis) {
    if (!(axis.motor().plate() instanceof InductionPlate plate)) {
      return Optional.empty();
    }
    try {
      MotorFormulas.poles(plate);
      MotorFormulas.ratedSlipRpm(plate);
      return Optional.empty();
    } catch (IllegalArgumentException impossible) {
      return Optional.of(String.valueOf(impossible.getMessage()));
    }
  }

  private static Optional<String> missing(
      DeviceSheet sheet, String device, @Nullable String terminal) {
    return terminal == null || sheet.terminal(terminal).isPresent()
        ? Optional.empty()
        : Optional.of("%s has no terminal '%s'".formatted(device, terminal));
  }

  /** The first value on the way that cannot be used. */
  private static Optional<String> unusable(AxisAssembly axis, Reference reference, Answer answer) {
    Stream<Unusable> controller =
        Unusable.selectors(
            axis.controller(),
            axis.controllerSheet(),
            s -> isOneOf(s.terminal(), reference.output(), answer.input()))
            .stream();
    Stream<Unusable> settings =
        Unusable.settings(axis.drive(), axis.driveSheet(), s -> OF_THE_PATH.contains(s.role()))
            .stream();
    Stream<String> atTerminals =
        Stream.of(reference.input(), answer.output())
            .filter(Objects::nonNull)
            .flatMap(t -> InputFaults.of(axis, t).stream());
    return Stream.concat(
            Stream.concat(controller, settings).filter(Unusable::isKnown).map(Unusable::text),
            atTerminals)
        .findFirst();
  }

  private static boolean isOneOf(
      @Nullable String terminal, @Nullable String one, @Nullable String other) {
    return terminal != null && (terminal.equals(one) || terminal.equals(other));
  }

  /** What the wires of the way of command lack, path or none; possibly empty. */
  public static List<Finding> checkWires(AxisAssembly axis) {
    PathFindings findings = new PathFindings(axis);
    Ways.of(axis).checkWires(axis, findings);
    Ways.beside(axis).forEach(w -> w.checkWires(axis, findings));
    return findings.found();
  }

  /** What the ends of the way of command have against each other; possibly empty. */
  public static List<Finding> check(AxisAssembly axis, SignalPath path) {
    PathFindings findings = new PathFindings(axis, path.scale().numberUnit());
    ((CommandLink) path.link()).check(axis, findings);
    List<Finding> found = new ArrayList<>(findings.found());
    found.addAll(PathChecks.check(axis, path));
    return found;
  }

  /**
   * The path of an axis. Where a channel is not chosen yet, the usual range stands in for it and
   * the checks say so.
   *
   * @throws IllegalArgumentException where {@link #fault} says something
   */
  public static SignalPath of(AxisAssembly axis) {
    fault(axis)
        .ifPresent(
            f -> {
              throw new IllegalArgumentException(f);
            });
    CommandLink link = Ways.of(axis).link(axis);
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    MotorLink motor =
        axis.motor().plate() instanceof InductionPlate plate
            ? induction(axis, plate, settings, link)
            : new DrivenShaft();
    Mechanics mechanics = axis.axis().mechanics();
    ProgramScale scale = link.scale(axis);
    return new SignalPath(
        scale,
        link,
        motor,
        link.commands() == Commanded.POSITION
            ? GearTrain.positioned(mechanics, scale.numberUnit())
            : GearTrain.of(link.commands(), mechanics),
        answer(axis, settings, motor));
  }

  private static MotorLink induction(
      AxisAssembly axis, InductionPlate plate, EffectiveSettings settings, CommandLink link) {
    return new InductionMotor(
        new MotorPoles(
            MotorFormulas.poles(plate),
            1,
            link.speed().map(SpeedLink::maximumHertz).orElse(plate.frequencyHertz())),
        slip(axis, plate, settings));
  }

  /**
   * The chains of an axis beside its main path, those of which something can be told; possibly
   * empty.
   *
   * @param main the main path, whose program, motor and mechanics they share
   */
  public static List<Chain> beside(AxisAssembly axis, SignalPath main) {
    return Ways.beside(axis).stream()
        .filter(w -> w.fault(axis).isEmpty())
        .map(w -> new Chain(w.key(), w.name(), beside(main, w.link(axis))))
        .toList();
  }

  /** What the ends of a chain beside the main path have against each other; possibly empty. */
  public static List<Finding> check(AxisAssembly axis, Chain chain) {
    PathFindings findings = new PathFindings(axis, chain.path().scale().numberUnit());
    ((CommandLink) chain.path().link()).check(axis, findings);
    return findings.found();
  }

  /** The main path with another link, whose commander the number is then. */
  private static SignalPath beside(SignalPath main, CommandLink link) {
    ProgramScale scale = main.scale();
    return main.with(
            new ProgramScale(
                scale.atZero(),
                scale.atFull(),
                scale.numberUnit(),
                link.leastPercent(),
                link.commander()))
        .with(link);
  }

  private static SlipStage slip(
      AxisAssembly axis, InductionPlate plate, EffectiveSettings settings) {
    return new SlipStage(
        MotorFormulas.ratedSlipRpm(plate),
        MotorFormulas.ratedTorqueNewtonMetres(plate),
        ShaftLoad.of(axis),
        settings.is(SettingRole.SLIP_COMPENSATION, Option.ON, Option.OFF));
  }

  /** Null where none is wired, or the output is set to show nothing. */
  private static @Nullable AnswerPath answer(
      AxisAssembly axis, EffectiveSettings settings, MotorLink motor) {
    Answer answer = axis.axis().answer();
    String output = answer.output();
    String input = answer.input();
    if (output == null || input == null) {
      return null;
    }
    return DriveAnswer.of(axis, output, motor)
        .map(
            drive ->
                new AnswerPath(
                    drive,
                    new AnswerModule(
                        input,
                        Channels.range(axis, input),
                        Channels.fullScale(axis, input, answer.programFullScaleCounts())),
                    new AnswerProgram(
                        answer.programFullScaleCounts(),
                        answer.speedAtFull(),
                        axis.axis().mechanics().unit())))
        .orElse(null);
  }
}
