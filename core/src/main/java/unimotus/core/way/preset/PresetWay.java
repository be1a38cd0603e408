package unimotus.core.way.preset;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import unimotus.core.link.LinkIntent;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Reference;
import unimotus.core.path.FrequencyLimits;
import unimotus.core.path.PathFindings;
import unimotus.core.proof.Part;
import unimotus.core.sheet.SettingRole;
import unimotus.core.way.CommandLink;
import unimotus.core.way.WayOfCommand;

/**
 * Speeds that stand in the drive and are chosen by closing inputs. Where another reference is
 * chosen as well, that one holds while no preset input is closed.
 */
public final class PresetWay implements WayOfCommand {

  @Override
  public String name() {
    return "preset speeds";
  }

  @Override
  public String key() {
    return "preset";
  }

  @Override
  public boolean isBeside() {
    return true;
  }

  @Override
  public boolean isChosen(AxisAssembly axis) {
    return !axis.axis().reference().presets().isEmpty();
  }

  @Override
  public Optional<String> fault(AxisAssembly axis) {
    Optional<PresetTable> table = PresetTable.of(axis);
    if (table.isEmpty()) {
      return Optional.of(
          "the sheet of %s does not say how it takes presets".formatted(axis.drive().name()));
    }
    if (!table.get().isInForce()) {
      return Optional.of(
          "%s takes its reference from '%s' and does not evaluate its preset inputs"
              .formatted(axis.drive().name(), table.get().source()));
    }
    return choices(axis, table.get()).isEmpty()
        ? Optional.of("no preset input of %s is wired".formatted(axis.drive().name()))
        : Optional.empty();
  }

  @Override
  public void checkWires(AxisAssembly axis, PathFindings findings) {
    new PresetChecks(axis, findings).check();
  }

  @Override
  public List<LinkIntent> intents() {
    return List.of(PresetIntent.values());
  }

  @Override
  public Map<Part, String> design(AxisAssembly axis) {
    StringBuilder text = new StringBuilder();
    axis.axis()
        .reference()
        .presets()
        .forEach(p -> text.append(p.number()).append(';').append(p.speed()).append(';'));
    return Map.of(Part.PRESETS, text.toString());
  }

  @Override
  public CommandLink link(AxisAssembly axis) {
    PresetTable table = PresetTable.of(axis).orElseThrow();
    List<PresetChoice> choices = choices(axis, table);
    Map<Integer, Double> hertz = new TreeMap<>();
    choices.forEach(
        c ->
            Optional.ofNullable(table.hertz().get(c.number()))
                .ifPresent(h -> hertz.put(c.number(), h)));
    Map<Integer, String> codes = new TreeMap<>();
    table.values().forEach((number, s) -> codes.put(number, s.code() + " " + s.name()));
    EffectiveSettings settings = new EffectiveSettings(axis.drive(), axis.driveSheet());
    Reference reference = axis.axis().reference();
    double top = reference.frequencyAtFullHertz();
    return new PresetLink(
        new ProgramPreset(choices),
        new DrivePreset(
            hertz,
            codes,
            new FrequencyLimits(
                settings.number(SettingRole.MINIMUM_FREQUENCY, 0),
                settings.number(SettingRole.MAXIMUM_FREQUENCY, top))),
        table,
        top);
  }

  /** The combinations the wired inputs make and the drive has a frequency for. */
  private static List<PresetChoice> choices(AxisAssembly axis, PresetTable table) {
    Reference reference = axis.axis().reference();
    List<PresetChoice> choices = new ArrayList<>();
    for (int number : table.combinations()) {
      Double hertz = table.hertz().get(number);
      if (hertz != null) {
        Optional<Preset> wanted = reference.preset(number);
        double speed = wanted.map(Preset::speed).orElseGet(() -> reference.speedAt(hertz));
        choices.add(
            new PresetChoice(
                number,
                wanted.map(Preset::name).orElse(""),
                percent(reference, speed),
                table.closedFor(number)));
      }
    }
    return choices;
  }

  private static double percent(Reference reference, double speed) {
    return (speed - reference.speedAtZero())
        / (reference.speedAtFull() - reference.speedAtZero())
        * 100;
  }
}
