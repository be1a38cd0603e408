package unimotus.desktop.setup;

import java.util.Locale;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.stream.Stream;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Line;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.EffectiveSettings;
import unimotus.core.settings.DerivedSetting;
import unimotus.core.settings.EntryStep;
import unimotus.core.settings.Journey;
import unimotus.core.settings.MenuWalk;
import unimotus.core.settings.SettingComparison;
import unimotus.core.sheet.SettingDefinition;
import unimotus.core.sheet.SettingValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Hint;
import unimotus.desktop.kit.Parts;

/**
 * The entries in their order, one below the other; brackets on the left hold together what an entry
 * rewrites or opens.
 */
final class JourneyPane extends VBox {
  private static final double ROW = 50;
  private static final int MOST_LANES = 5;
  private static final double LANE = 9;

  private final Desk desk;
  private final SettingEditor editor;
  private final Consumer<String> choose;
  private final Pane gutter = new Pane();
  private final VBox steps = new VBox();
  private final VBox others = new VBox();
  private final Label othersTitle = Parts.label("", "ink-strong");

  JourneyPane(Desk desk, Consumer<String> choose) {
    super(8);
    this.desk = desk;
    this.choose = choose;
    this.editor = new SettingEditor(desk);
    setId("journey");
    HBox.setHgrow(steps, Priority.ALWAYS);
    getChildren().addAll(new HBox(gutter, steps), othersTitle, others);
  }

  /**
   * Shows a way.
   *
   * @param sought words to look for; empty for none
   * @param chosen the setting that is looked at; null for none
   */
  void show(AxisAssembly axis, Journey journey, String sought, @Nullable String chosen) {
    steps.getChildren().clear();
    others.getChildren().clear();
    for (EntryStep step : journey.entry().steps()) {
      steps.getChildren().add(stepRow(axis, journey, step, sought, chosen));
    }
    brackets(journey, chosen);
    othersTitle.setText(
        journey.entry().unread().isEmpty() && journey.entry().spared().isEmpty()
            ? "Not entered: already correct"
            : "Not entered");
    for (SettingDefinition setting : journey.others()) {
      others.getChildren().add(otherRow(axis, journey, setting, sought, chosen));
    }
  }

  private HBox stepRow(
      AxisAssembly axis, Journey journey, EntryStep step, String sought, @Nullable String chosen) {
    Label number = Parts.label(String.valueOf(step.number()), "step-number");
    Hint.on(number, () -> new MenuWalk(axis.driveSheet()).position(step.setting().code()));
    Region value = isDesigned(axis, step) ? editor.of(axis, step.setting()) : passing(step);
    HBox row =
        row(
            step.setting(),
            number,
            words(step.setting().name(), caption(step)),
            differs(axis, journey, step.setting()),
            value);
    mark(row, step.setting(), sought, chosen);
    return row;
  }

  /** An entry that only opens or closes the menu for a time is not the design. */
  private Label passing(EntryStep step) {
    Label label = Parts.label(SettingEditor.text(desk, step.setting(), step.value()));
    label.setMinWidth(SettingEditor.WIDTH);
    return label;
  }

  private static boolean isDesigned(AxisAssembly axis, EntryStep step) {
    SettingValue meant =
        new EffectiveSettings(axis.drive(), axis.driveSheet()).value(step.setting());
    return SettingComparison.isSame(meant, step.value());
  }

  private String caption(EntryStep step) {
    StringBuilder text = new StringBuilder();
    SettingValue was = step.was();
    text.append(
        was == null ? "not read" : "shows " + SettingEditor.text(desk, step.setting(), was));
    if (!step.keys().isEmpty()) {
      text.append(" · ").append(step.keys());
    }
    if (step.twice()) {
      text.append(" · enter twice");
    }
    if (!step.why().isEmpty()) {
      text.append(" · ").append(step.why());
    }
    if (!step.procedure().isEmpty()) {
      text.append(" · guarded entry, see Why");
    }
    return text.toString();
  }

  private HBox otherRow(
      AxisAssembly axis,
      Journey journey,
      SettingDefinition setting,
      String sought,
      @Nullable String chosen) {
    Label number = Parts.label("", "step-number", "still");
    HBox row =
        row(
            setting,
            number,
            words(setting.name(), standing(journey, setting) + origin(axis, setting)),
            differs(axis, journey, setting),
            editor.of(axis, setting));
    mark(row, setting, sought, chosen);
    return row;
  }

  private HBox row(
      SettingDefinition setting, Label number, Words words, Label differs, Region field) {
    Label code = Parts.label(setting.code(), "ink-strong");
    code.setMinWidth(48);
    Label below = words.below();
    HBox line = Parts.row(7, code, words.title(), differs, field);
    VBox lines = Parts.column(0, line, below);
    lines.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    HBox.setHgrow(lines, Priority.ALWAYS);
    HBox row = Parts.row(7, number, lines);
    row.getStyleClass().add("journey-row");
    row.setUserData(setting.code());
    row.setMinHeight(ROW);
    row.setMaxHeight(ROW);
    row.setOnMousePressed(e -> choose.accept(setting.code()));
    field
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (is) {
                choose.accept(setting.code());
              }
            });
    return row;
  }

  private static String standing(Journey journey, SettingDefinition setting) {
    if (journey.entry().unread().contains(setting)) {
      return "not read, meant at factory default · ";
    }
    return journey.entry().spared().contains(setting)
        ? "left as found: entering it would overwrite a correct setting · "
        : "";
  }

  /** Its menu group, and where its value comes from if another entry wrote it. */
  private static String origin(AxisAssembly axis, SettingDefinition setting) {
    return new EffectiveSettings(axis.drive(), axis.driveSheet())
        .rewrittenBy(setting)
        .map(by -> "%s · rewritten by %s".formatted(setting.group(), by))
        .orElse(setting.group());
  }

  /** Its name beside the field, what is to be done in a line of its own below both. */
  private record Words(Label title, Label below) {}

  private static Words words(String name, String caption) {
    Label title = Parts.label(name);
    title.setWrapText(true);
    title.setMinWidth(0);
    title.setMaxWidth(Double.MAX_VALUE);
    HBox.setHgrow(title, Priority.ALWAYS);
    return new Words(title, Parts.label(caption, "ink-caption"));
  }

  /** A sign where the design is not what follows: with its reason, or asking for one. */
  private static Label differs(AxisAssembly axis, Journey journey, SettingDefinition setting) {
    DerivedSetting derived = journey.derived().get(setting.code());
    SettingValue designed = axis.drive().settings().getOrDefault(setting.code(), setting.initial());
    if (derived == null || SettingComparison.isSame(derived.value(), designed)) {
      return Parts.label("");
    }
    boolean said = axis.record().overrules().containsKey(setting.code());
    Label sign =
        Parts.label(said ? "overruled" : "differs", said ? "ink-caption" : "ink-attention");
    sign.setMinWidth(Region.USE_PREF_SIZE);
    return sign;
  }

  private static void mark(
      HBox row, SettingDefinition setting, String sought, @Nullable String chosen) {
    String words = (setting.code() + " " + setting.name()).toLowerCase(Locale.ROOT);
    if (!sought.isEmpty() && words.contains(sought.toLowerCase(Locale.ROOT))) {
      row.getStyleClass().add("sought");
    }
    if (setting.code().equals(chosen)) {
      row.getStyleClass().add("chosen");
    }
  }

  /** Marks another setting as looked at; the rows stay, and with them what is being typed. */
  void choose(Journey journey, String code) {
    for (Node row : rows().toList()) {
      row.getStyleClass().remove("chosen");
      if (code.equals(row.getUserData())) {
        row.getStyleClass().add("chosen");
      }
    }
    brackets(journey, code);
  }

  /** Takes the keyboard to the first setting that was looked for. */
  void goToSought() {
    goTo(r -> r.getStyleClass().contains("sought"));
  }

  /** Takes the keyboard to a setting. */
  void goTo(String code) {
    goTo(r -> code.equals(r.getUserData()));
  }

  private void goTo(Predicate<Node> wanted) {
    rows()
        .filter(wanted)
        .map(r -> r.lookup("#setting-" + r.getUserData()))
        .filter(Objects::nonNull)
        .findFirst()
        .ifPresent(Node::requestFocus);
  }

  private Stream<Node> rows() {
    return Stream.concat(steps.getChildren().stream(), others.getChildren().stream());
  }

  private void brackets(Journey journey, @Nullable String chosen) {
    gutter.getChildren().clear();
    int lanes = Math.min(MOST_LANES, journey.brackets().size());
    double width = 8 + LANE * lanes;
    gutter.setMinWidth(width);
    gutter.setPrefWidth(width);
    int lane = 0;
    for (Journey.Bracket bracket : journey.brackets()) {
      boolean held =
          journey.entry().steps().get(bracket.from()).setting().code().equals(chosen)
              || bracket.to().stream()
                  .anyMatch(t -> journey.entry().steps().get(t).setting().code().equals(chosen));
      double x = width - 4 - LANE * (1 + lane % MOST_LANES);
      int last = bracket.to().get(bracket.to().size() - 1);
      line(x, y(bracket.from()), x, y(last), bracket.opens(), held);
      line(x, y(bracket.from()), width - 2, y(bracket.from()), bracket.opens(), held);
      bracket.to().forEach(t -> line(x, y(t), width - 2, y(t), bracket.opens(), held));
      lane++;
    }
  }

  private static double y(int row) {
    return ROW * row + ROW / 2;
  }

  private void line(double x1, double y1, double x2, double y2, boolean opens, boolean held) {
    Line line = new Line(x1, y1, x2, y2);
    line.getStyleClass().add("bracket");
    if (opens) {
      line.getStyleClass().add("opens");
    }
    if (held) {
      line.getStyleClass().add("held");
    }
    gutter.getChildren().add(line);
  }
}
