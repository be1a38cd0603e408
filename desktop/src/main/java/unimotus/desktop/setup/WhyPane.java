package unimotus.desktop.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javafx.scene.layout.VBox;
import unimotus.core.derivation.Step;
import unimotus.core.finding.Finding;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.Journey;
import unimotus.core.settings.SettingComparison;
import unimotus.core.settings.SettingGraph;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.WordField;
import unimotus.desktop.station.FindingList;
import unimotus.workbench.Edits;
import unimotus.workbench.SetUpEdits;
import unimotus.workbench.WorkStep;

/** One setting: why it stands as it does, what it touches, and where it is felt. */
final class WhyPane extends VBox {
  private static final Set<SettingRole> ON_THE_PATH =
      Set.of(
          SettingRole.ANALOG_RANGE,
          SettingRole.FREQUENCY_AT_LOW,
          SettingRole.FREQUENCY_AT_HIGH,
          SettingRole.ANALOG_INVERT,
          SettingRole.DEAD_BAND,
          SettingRole.MINIMUM_FREQUENCY,
          SettingRole.MAXIMUM_FREQUENCY,
          SettingRole.MOTOR_POLES,
          SettingRole.ANSWER_RANGE,
          SettingRole.ANSWER_FULL_SCALE,
          SettingRole.SLIP_COMPENSATION);

  private static final Set<SettingRole> ON_THE_STOP =
      Set.of(
          SettingRole.SAFE_STOP_DELAY, SettingRole.SAFE_STOP_RAMP, SettingRole.RESTART_AFTER_STO);

  private final Desk desk;
  private final FindingList findings;

  WhyPane(Desk desk) {
    super(8);
    this.desk = desk;
    this.findings = new FindingList(desk);
    setId("why");
  }

  void show(AxisAssembly axis, Journey journey, SettingDefinition setting, List<Finding> found) {
    SettingValue designed = new EffectiveSettings(axis.drive(), axis.driveSheet()).value(setting);
    getChildren()
        .setAll(
            Parts.label("%s  %s".formatted(setting.code(), setting.name()), "ink-title"),
            Parts.label(SettingEditor.text(desk, setting, designed), "ink-big"),
            Parts.prose(
                "range %s; factory default %s"
                    .formatted(
                        setting.rangeText(), SettingEditor.text(desk, setting, setting.initial())),
                "ink-label"));
    if (!SettingComparison.isSame(designed, setting.initial())) {
      getChildren()
          .add(
              Parts.quiet(
                  "default-" + setting.code(),
                  "back to " + SettingEditor.text(desk, setting, setting.initial()),
                  () -> desk.apply(Edits.settingToDefault(axis.drive().id(), setting.code()))));
    }
    procedure(journey, setting);
    reason(axis, journey, setting, designed);
    touches(axis, setting);
    jump(setting);
    List<Finding> here =
        found.stream().filter(f -> f.place().endsWith("/" + setting.code())).toList();
    if (!here.isEmpty()) {
      findings.show(here);
      getChildren().add(findings);
    }
  }

  /** An entry that the drive takes only by its procedure. */
  private void procedure(Journey journey, SettingDefinition setting) {
    journey.entry().steps().stream()
        .filter(s -> s.setting().code().equals(setting.code()) && !s.procedure().isEmpty())
        .findFirst()
        .ifPresent(
            s ->
                getChildren()
                    .addAll(
                        Parts.label("Guarded entry", "ink-strong"), Parts.prose(s.procedure())));
  }

  private void reason(
      AxisAssembly axis, Journey journey, SettingDefinition setting, SettingValue designed) {
    DerivedSetting derived = journey.derived().get(setting.code());
    if (derived == null) {
      getChildren().add(Parts.prose("Nothing asks for a certain value here.", "ink-label"));
      return;
    }
    getChildren().add(Parts.label("Why", "ink-strong"));
    getChildren().add(Parts.prose(derived.reason()));
    for (Step step : derived.sum().steps()) {
      getChildren().add(Parts.prose(step.text(), "ink-sum"));
    }
    if (!SettingComparison.isSame(derived.value(), designed)) {
      String follows = SettingEditor.text(desk, setting, derived.value());
      getChildren()
          .addAll(
              Parts.prose("%s would follow.".formatted(follows), "ink-attention"),
              Parts.action(
                  "take-derived",
                  "Take " + follows,
                  () ->
                      desk.apply(
                          Edits.setting(axis.drive().id(), setting.code(), derived.value()))),
              Parts.label("or give the reason why not", "ink-label"),
              new WordField(
                  "overrule-why",
                  "why it is not what follows",
                  axis.record().overrules().getOrDefault(setting.code(), ""),
                  34,
                  why -> desk.apply(SetUpEdits.overrule(axis.drive().id(), setting.code(), why))));
    }
  }

  private void touches(AxisAssembly axis, SettingDefinition setting) {
    SettingGraph graph = new SettingGraph(axis.driveSheet());
    List<String> lines = new ArrayList<>();
    if (!graph.rewrites(setting.code()).isEmpty()) {
      lines.add("rewrites " + String.join(", ", graph.rewrites(setting.code())));
    }
    if (!graph.rewriters(setting.code()).isEmpty()) {
      lines.add("is rewritten by " + String.join(", ", graph.rewriters(setting.code())));
    }
    graph
        .lock(setting.code())
        .ifPresent(l -> lines.add("is locked until %s is %s".formatted(l.by(), l.value())));
    if (graph.needsStandstill(setting.code())) {
      lines.add("is entered at standstill");
    }
    if (graph.confirmSeconds(setting.code()) > 0) {
      lines.add(
          "is entered twice within %.0f s, else power off and begin again"
              .formatted(graph.confirmSeconds(setting.code())));
    }
    if (graph.spoilsTuning(setting.code())) {
      lines.add("makes the auto-tune stale");
    }
    if (graph.isOfTheLink(setting.code())) {
      lines.add("belongs to the communication");
    }
    if (!lines.isEmpty()) {
      getChildren().add(Parts.label("It", "ink-strong"));
      lines.forEach(l -> getChildren().add(Parts.prose(l, "ink-label")));
    }
  }

  private void jump(SettingDefinition setting) {
    SettingRole role = setting.role();
    if (role == null) {
      return;
    }
    if (ON_THE_PATH.contains(role)) {
      getChildren().add(go(WorkStep.MAP, "see it on the signal path"));
    }
    if (ON_THE_STOP.contains(role)) {
      getChildren().add(go(WorkStep.MAKE_SAFE, "see it in the stop"));
    }
    if (role == SettingRole.INPUT_FUNCTION || role == SettingRole.OUTPUT_FUNCTION) {
      getChildren().add(go(WorkStep.WIRE, "see its terminal"));
    }
  }

  private javafx.scene.Node go(WorkStep step, String words) {
    return Parts.quiet("go-from-setting", words, () -> desk.step().set(step));
  }
}
