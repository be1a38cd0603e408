package unimotus.core.path;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterRole;
import unimotus.core.machine.Answer;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Reference;
import unimotus.core.machine.Unusable;
import unimotus.core.motion.ShaftLoad;
import unimotus.core.motor.MotorFormulas;
import unimotus.core.motor.SpeedScale;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.Plate;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;

/** Builds the signal path of an axis from its design. */
public final class PathFactory {
  /** What a channel without a range of its own counts in (common practice). */
  private static final SignalRange USUAL_RANGE = SignalRange.V_0_10;

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

  /** What belongs to the terminals the path goes over. */
  private static final Set<SettingRole> OF_ITS_TERMINALS =
      EnumSet.of(
          SettingRole.ANALOG_RANGE,
          SettingRole.FREQUENCY_AT_LOW,
          SettingRole.FREQUENCY_AT_HIGH,
          SettingRole.ANALOG_INVERT,
          SettingRole.DEAD_BAND,
          SettingRole.LOSS_ACTION,
          SettingRole.ANSWER_RANGE,
          SettingRole.ANSWER_FULL_SCALE);

  /** Why an axis has no signal path that anything could be told of; empty where it has one. */
  public static Optional<String> fault(AxisAssembly axis) {
    if (axis.motor().servo() != null) {
      return Optional.of("%s is a servo motor".formatted(axis.motor().name()));
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
        .or(
            () ->
                overRegister(axis)
                    .filter(e -> !SpeedScale.measures(e.unit()))
                    .map(
                        e ->
                            "%s is counted in '%s', which tells no speed"
                                .formatted(e.name(), e.unit())));
  }

  private static Optional<String> plateFault(AxisAssembly axis) {
    Plate plate = axis.motor().plate();
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
    Stream<Unusable> switches =
        Unusable.selectors(
            axis.drive(),
            axis.driveSheet(),
            s -> isOneOf(s.terminal(), reference.input(), answer.output()))
            .stream();
    Stream<Unusable> settings =
        Unusable.settings(
            axis.drive(),
            axis.driveSheet(),
            s ->
                OF_THE_PATH.contains(s.role())
                    || (OF_ITS_TERMINALS.contains(s.role())
                        && isOneOf(s.terminal(), reference.input(), answer.output())))
            .stream();
    return Stream.of(controller, switches, settings)
        .flatMap(s -> s)
        .filter(Unusable::isKnown)
        .map(Unusable::text)
        .findFirst();
  }

  private static boolean isOneOf(
      @Nullable String terminal, @Nullable String one, @Nullable String other) {
    return terminal != null && (terminal.equals(one) || terminal.equals(other));
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
    Reference reference = axis.axis().reference();
    Mechanics mechanics = axis.axis().mechanics();
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    ReferenceLink link =
        overRegister(axis)
            .<ReferenceLink>map(r -> registerLink(axis, r, settings))
            .orElseGet(() -> analogLink(axis, settings));
    Plate plate = axis.motor().plate();
    double least = link instanceof AnalogLink a ? a.module().range().leastPercent() : 0;
    return new SignalPath(
        new ProgramScale(reference.speedAtZero(), reference.speedAtFull(), mechanics.unit(), least),
        link,
        new MotorPoles(MotorFormulas.poles(plate), 1, link.maximumHertz()),
        slip(axis, plate, settings),
        new GearStage(mechanics.gearRatio()),
        new ProductStage(mechanics.unitsPerTurn(), mechanics.unit(), mechanics.factorText()),
        axis.axis().answer().isWired() ? answer(axis, settings) : null);
  }

  /**
   * The register the reference of an axis is written to; empty where an analog channel is chosen,
   * or the drive has no such register.
   */
  public static Optional<RegisterEntry> overRegister(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return reference.output() != null || reference.input() != null
        ? Optional.empty()
        : axis.record()
            .fieldbus()
            .map()
            .entry(RegisterRole.REFERENCE)
            .filter(e -> e.access().isWritable())
            .filter(e -> !e.type().isText() && !e.table().isBits());
  }

  private static RegisterLink registerLink(
      AxisAssembly axis, RegisterEntry entry, EffectiveSettings settings) {
    Reference reference = axis.axis().reference();
    SpeedScale speeds = SpeedScale.of(axis);
    return new RegisterLink(
        new ProgramRegister(
            entry, speeds, reference.frequencyAtZeroHertz(), reference.frequencyAtFullHertz()),
        new DriveRegister(
            entry,
            entry.order(),
            speeds,
            new FrequencyLimits(
                settings.number(SettingRole.MINIMUM_FREQUENCY, 0), speeds.maximumHertz())));
  }

  private static AnalogLink analogLink(AxisAssembly axis, EffectiveSettings settings) {
    Reference reference = axis.axis().reference();
    OutputModule module = module(axis, reference);
    double least = module.range().leastPercent();
    return new AnalogLink(
        new ProgramCounts(reference.programFullScaleCounts(), least),
        module,
        input(axis, reference, settings, module.range()),
        driveReference(axis, reference, settings, module.range()));
  }

  private static OutputModule module(AxisAssembly axis, Reference reference) {
    String point = reference.output() == null ? OutputModule.NONE : reference.output();
    return new OutputModule(
        point,
        channelRange(axis, point),
        channelFullScale(axis, point, reference.programFullScaleCounts()),
        axis.controllerSheet().converterBits());
  }

  /** The range a controller's channel is set to. */
  public static SignalRange channelRange(AxisAssembly axis, String point) {
    return SignalRange.ofLabel(
            EffectiveSettings.channel(
                axis.controller(),
                axis.controllerSheet(),
                SelectorRole.CHANNEL_RANGE,
                point,
                USUAL_RANGE.label()))
        .orElse(USUAL_RANGE);
  }

  private static int channelFullScale(AxisAssembly axis, String point, int otherwise) {
    return Integer.parseInt(
        EffectiveSettings.channel(
            axis.controller(),
            axis.controllerSheet(),
            SelectorRole.RAW_FULL_SCALE,
            point,
            Integer.toString(otherwise)));
  }

  private static DriveInput input(
      AxisAssembly axis, Reference reference, EffectiveSettings settings, SignalRange sent) {
    String terminal = reference.input() == null ? "–" : reference.input();
    SignalRange set =
        SignalRange.ofLabel(settings.choice(SettingRole.ANALOG_RANGE, terminal, sent.label()))
            .orElse(sent);
    Option usual = set.isCurrent() ? Option.CURRENT : Option.VOLTAGE;
    boolean current = settings.is(SelectorRole.INPUT_KIND, terminal, Option.CURRENT, usual);
    return new DriveInput(
        terminal,
        sent,
        asWired(set, current),
        axis.driveSheet()
            .terminal(terminal)
            .map(t -> t.figure(Figure.BURDEN_OHMS))
            .orElseGet(() -> TerminalRole.ANALOG_INPUT.typical().get(Figure.BURDEN_OHMS)),
        1,
        0,
        settings.number(SettingRole.DEAD_BAND, terminal, 0),
        settings.is(SettingRole.ANALOG_INVERT, terminal, Option.ON, Option.OFF),
        axis.driveSheet().converterBits(),
        settings.option(SettingRole.LOSS_ACTION, terminal, Option.NONE));
  }

  /**
   * The range the input really has: the selector decides volts or milliamps, the setting the span.
   * A setting that names the other kind scales to the same share of that kind's converter span.
   */
  private static SignalRange asWired(SignalRange set, boolean current) {
    if (set.isCurrent() == current) {
      return set;
    }
    if (current) {
      return set.hasLiveZero() ? SignalRange.MA_4_20 : SignalRange.MA_0_20;
    }
    return set.hasLiveZero() ? SignalRange.V_2_10 : SignalRange.V_0_10;
  }

  private static DriveReference driveReference(
      AxisAssembly axis, Reference reference, EffectiveSettings settings, SignalRange sent) {
    String terminal = reference.input() == null ? "–" : reference.input();
    double maximum =
        settings.number(SettingRole.MAXIMUM_FREQUENCY, reference.frequencyAtFullHertz());
    return new DriveReference(
        settings.number(SettingRole.FREQUENCY_AT_LOW, terminal, 0),
        settings.number(SettingRole.FREQUENCY_AT_HIGH, terminal, maximum),
        settings.number(SettingRole.MINIMUM_FREQUENCY, 0),
        maximum,
        sent.leastPercent(),
        String.join(
            ", ",
            axis.driveSheet()
                .setting(SettingRole.MINIMUM_FREQUENCY)
                .map(SettingDefinition::code)
                .orElse("minimum"),
            axis.driveSheet()
                .setting(SettingRole.MAXIMUM_FREQUENCY)
                .map(SettingDefinition::code)
                .orElse("maximum"),
            axis.driveSheet()
                .setting(SettingRole.FREQUENCY_AT_HIGH, terminal)
                .map(SettingDefinition::code)
                .orElse("scaling")));
  }

  private static SlipStage slip(AxisAssembly axis, Plate plate, EffectiveSettings settings) {
    return new SlipStage(
        MotorFormulas.ratedSlipRpm(plate),
        MotorFormulas.ratedTorqueNewtonMetres(plate),
        ShaftLoad.of(axis),
        settings.is(SettingRole.SLIP_COMPENSATION, Option.ON, Option.OFF));
  }

  private static AnswerPath answer(AxisAssembly axis, EffectiveSettings settings) {
    Answer answer = axis.axis().answer();
    String output = String.valueOf(answer.output());
    String input = String.valueOf(answer.input());
    SignalRange sent =
        SignalRange.ofLabel(settings.choice(SettingRole.ANSWER_RANGE, output, USUAL_RANGE.label()))
            .orElse(USUAL_RANGE);
    double fullScale =
        settings.number(
            SettingRole.ANSWER_FULL_SCALE,
            output,
            settings.number(SettingRole.MAXIMUM_FREQUENCY, 50));
    return new AnswerPath(
        new DriveAnswer(output, sent, fullScale),
        new AnswerModule(
            input,
            channelRange(axis, input),
            channelFullScale(axis, input, answer.programFullScaleCounts())),
        new AnswerProgram(
            answer.programFullScaleCounts(), answer.speedAtFull(), axis.axis().mechanics().unit()));
  }
}
