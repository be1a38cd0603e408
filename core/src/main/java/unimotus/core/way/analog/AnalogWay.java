package unimotus.core.way.analog;

import java.util.Optional;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Reference;
import unimotus.core.path.Channels;
import unimotus.core.path.PathFindings;
import unimotus.core.settings.LinkChecks;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;

/** A voltage or a current from the controller's output to the drive's input. */
public final class AnalogWay implements WayOfCommand {

  @Override
  public String name() {
    return "over a voltage or a current";
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    Reference reference = axis.axis().reference();
    return reference.output() != null || reference.input() != null;
  }

  /** An analog channel is what most axes get (common practice). */
  @Override
  public boolean isUsual() {
    return true;
  }

  /** A drive that is commanded over its link takes the reference from there. */
  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    if (!LinkChecks.isCommandedByLink(axis)) {
      new ReferenceWires(axis, findings).check();
    }
  }

  /** Its terminals and settings are looked over with the path's. */
  @Override
  public Optional<String> fault(AxisAssembly axis) {
    return Optional.empty();
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
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
        Channels.range(axis, point),
        Channels.fullScale(axis, point, reference.programFullScaleCounts()),
        axis.controllerSheet().converterBits());
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
}
