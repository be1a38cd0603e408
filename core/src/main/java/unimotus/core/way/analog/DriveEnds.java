package unimotus.core.way.analog;

import org.jspecify.annotations.Nullable;
import unimotus.core.analog.SignalRange;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.Option;
import unimotus.core.sheet.SelectorRole;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.TerminalRole;

/** The drive's end of an analog link, from its switches and settings. */
public final class DriveEnds {
  private static final String NONE = "–";

  private DriveEnds() {}

  /**
   * An input as it is set.
   *
   * @param chosen its terminal; null where none is chosen yet, and nothing is set
   * @param sent range of what is sent to it
   */
  public static DriveInput input(AxisAssembly axis, @Nullable String chosen, SignalRange sent) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    String terminal = chosen == null ? NONE : chosen;
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
            .orElseGet(() -> TerminalRole.ANALOG_INPUT.typical(Figure.BURDEN_OHMS)),
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

  /**
   * What the drive makes of the percent of an input.
   *
   * @param chosen its terminal; null where none is chosen yet, and nothing is set
   * @param leastPercent −100 where the sign carries the direction, else 0
   */
  public static DriveReference reference(
      AxisAssembly axis, @Nullable String chosen, double leastPercent) {
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    String terminal = chosen == null ? NONE : chosen;
    double maximum =
        settings.number(
            SettingRole.MAXIMUM_FREQUENCY, axis.axis().reference().frequencyAtFullHertz());
    return new DriveReference(
        settings.number(SettingRole.FREQUENCY_AT_LOW, terminal, 0),
        settings.number(SettingRole.FREQUENCY_AT_HIGH, terminal, maximum),
        settings.number(SettingRole.MINIMUM_FREQUENCY, 0),
        maximum,
        leastPercent,
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
