package unimotus.desktop.map;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.MapDoubt;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.Count;
import unimotus.core.review.AxisReview;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.formats.fieldbus.MapCsv;
import unimotus.workbench.RegisterLists;
import unimotus.workbench.SetUpEdits;

/** The registers of a drive in every notation, what is doubtful in them, and how long they take. */
final class RegistersPane extends HBox {
  private static final String BY_LOOKS = "detected automatically";
  private static final int MOST_PROBLEMS = 8;

  private static final double LEAST_TABLE = 572;
  private static final double LEAST_SIDE = 234;
  private static final double SIDE = 360;

  private final Desk desk;
  private final GridPane table = new GridPane();
  private final VBox side = Parts.column(6);
  private final VBox problems = Parts.column(2);
  private final ChoiceField<String> notation;
  private final BusTimes times;
  private String written = BY_LOOKS;
  private @Nullable String chosen;

  RegistersPane(Desk desk) {
    super(14);
    this.desk = desk;
    setPadding(new Insets(12, 16, 12, 16));
    List<String> notations = new ArrayList<>(List.of(BY_LOOKS));
    for (Notation each : Notation.values()) {
      notations.add(each.label());
    }
    notation = new ChoiceField<>("addresses", notations, n -> n, n -> written = n);
    notation.setId("map-notation");
    notation.show(written);
    times = new BusTimes(desk, this::refresh);
    table.setHgap(16);
    table.setVgap(4);
    table.setId("map-table");
    FlowPane actions =
        Parts.flow(
            8,
            Parts.primary("import-map", "Read a map", this::importMap),
            Parts.label("addresses", "ink-label"),
            notation,
            Parts.quiet("export-map", "write it", this::exportMap));
    FlowPane moves =
        Parts.flow(
            8,
            Parts.action("map-add", "Add a register", this::add),
            Parts.action("map-up", "All addresses +1", () -> move(1)),
            Parts.action("map-down", "All addresses −1", () -> move(-1)),
            Parts.quiet(
                "map-stand-in",
                "use the simulated drive's registers",
                () -> put(SimulatedRegisters.of(desk.review().map(AxisReview::assembly)))));
    VBox left = new VBox(10, actions, moves, problems, Parts.scrolling(table));
    VBox right = Parts.sheet(8, Parts.scrolling(side));
    Sides sides = new Sides(left, right, LEAST_TABLE, LEAST_SIDE, SIDE);
    HBox.setHgrow(sides, Priority.ALWAYS);
    getChildren().add(sides);
  }

  /** What the bus leaves for time-outs with this map. */
  LinkWatch watch(RegisterMap map) {
    return times.watch(map);
  }

  void refresh() {
    table.getChildren().clear();
    side.getChildren().clear();
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    if (axis.isEmpty()) {
      side.getChildren().add(Parts.prose("Choose an axis that has a drive.", "ink-label"));
      return;
    }
    RegisterMap map = axis.get().record().fieldbus().map();
    if (map.entries().isEmpty()) {
      table.addRow(
          0,
          Parts.prose(
              "No registers yet. Add them one by one, or read a map as CSV with the columns name, table, address and, if there, type, order, scale, offset, unit, minimum, maximum, access, group, role.",
              "ink-label"));
      return;
    }
    head();
    List<MapDoubt> doubts = new ArrayList<>(map.doubts());
    map.shiftAgainst(SimulatedRegisters.of(axis)).ifPresent(d -> doubts.add(0, d));
    int row = 1;
    for (RegisterEntry entry : map.entries()) {
      row(row++, entry, doubts.stream().anyMatch(d -> d.entry().equals(entry.name())));
    }
    card(map);
    doubts(doubts);
    times.show(map, axis.get(), side);
  }

  private void head() {
    List<String> words = new ArrayList<>(List.of("name"));
    for (Notation each : Notation.values()) {
      words.add(each.label());
    }
    words.addAll(List.of("type", "one step", "access"));
    for (int i = 0; i < words.size(); i++) {
      table.add(whole(Parts.label(words.get(i), "ink-caption")), i, 0);
    }
  }

  private void row(int row, RegisterEntry entry, boolean doubtful) {
    int column = 0;
    Button name =
        Parts.quiet("register-row-" + (row - 1), entry.name(), () -> choose(entry.name()));
    name.getStyleClass().add(doubtful ? "ink-attention" : "ink-strong");
    // The role is told where the name does not tell it.
    boolean told = ValueRole.ofName(entry.name()) == entry.role();
    table.add(
        told
            ? name
            : Parts.column(0, name, Parts.label("  as " + entry.role().label(), "ink-caption")),
        column++,
        row);
    for (Notation each : Notation.values()) {
      Label address = Parts.label(each.write(entry.table(), entry.address()));
      table.add(whole(address), column++, row);
    }
    String order = entry.type().words() > 1 ? " " + entry.order() : "";
    table.add(whole(Parts.label(entry.type().label() + order, "ink-label")), column++, row);
    String step = "%s %s".formatted(desk.units().format().number(entry.scale()), entry.unit());
    table.add(whole(Parts.label(step, "ink-label")), column++, row);
    table.add(whole(Parts.label(entry.access().label(), "ink-label")), column, row);
  }

  /** An address cut short is another address. */
  private static Label whole(Label label) {
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private void doubts(List<MapDoubt> doubts) {
    side.getChildren()
        .add(
            Parts.label(
                doubts.isEmpty() ? "No warnings" : Count.of(doubts.size(), "warning"),
                "ink-title"));
    for (MapDoubt doubt : doubts) {
      side.getChildren()
          .addAll(
              Parts.prose("%s: %s".formatted(doubt.entry(), doubt.kind().label()), "ink-strong"),
              Parts.prose(doubt.seen()),
              Parts.prose("→ " + doubt.remedy(), "ink-label"));
    }
  }

  /** The register that is edited stands above everything else. */
  private void card(RegisterMap map) {
    map.entry(String.valueOf(chosen))
        .ifPresent(
            entry ->
                side.getChildren()
                    .add(
                        new RegisterCard(
                            entry,
                            next -> replace(map, entry, next),
                            () -> remove(map, entry),
                            () -> choose(null),
                            desk::refuse)));
  }

  private void choose(@Nullable String name) {
    chosen = name;
    refresh();
  }

  private void replace(RegisterMap map, RegisterEntry entry, RegisterEntry next) {
    boolean taken = !next.name().equals(entry.name()) && map.entry(next.name()).isPresent();
    if (taken) {
      throw new IllegalArgumentException("there is a register '%s' already".formatted(next.name()));
    }
    List<RegisterEntry> entries = new ArrayList<>(map.entries());
    entries.set(entries.indexOf(entry), next);
    chosen = next.name();
    put(new RegisterMap(entries));
  }

  private void remove(RegisterMap map, RegisterEntry entry) {
    List<RegisterEntry> entries = new ArrayList<>(map.entries());
    entries.remove(entry);
    chosen = null;
    put(new RegisterMap(entries));
  }

  /** Another register after the last one of the map. */
  private void add() {
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    if (axis.isEmpty()) {
      desk.refuse("choose an axis that has a drive");
      return;
    }
    RegisterMap map = axis.get().record().fieldbus().map();
    int free =
        map.entries().stream()
            .filter(e -> e.table() == RegisterTable.HOLDING_REGISTER)
            .mapToInt(RegisterEntry::end)
            .max()
            .orElse(0);
    int number = map.entries().size() + 1;
    while (map.entry("register " + number).isPresent()) {
      number++;
    }
    List<RegisterEntry> entries = new ArrayList<>(map.entries());
    RegisterEntry fresh =
        new RegisterEntry(
            DriveValue.named(
                "register " + number,
                ValueType.UNSIGNED_16,
                Scaling.of(1, ""),
                new Limits(0, 0xFFFF),
                Access.READ_WRITE),
            RegisterPlace.of(RegisterTable.HOLDING_REGISTER, Math.min(free, 0xFFFF)));
    entries.add(fresh);
    chosen = fresh.name();
    put(new RegisterMap(entries));
  }

  private void importMap() {
    desk.dialogs()
        .importFile()
        .ifPresent(
            file -> {
              try {
                MapCsv.Read read = RegisterLists.read(file, notation());
                tell(read.problems());
                put(read.map());
              } catch (IOException e) {
                desk.refuse(e.getMessage());
              }
            });
  }

  private @Nullable Notation notation() {
    for (Notation each : Notation.values()) {
      if (each.label().equals(written)) {
        return each;
      }
    }
    return null;
  }

  private void tell(List<String> found) {
    problems.getChildren().clear();
    found.stream()
        .limit(MOST_PROBLEMS)
        .forEach(p -> problems.getChildren().add(Parts.prose(p, "ink-attention")));
    if (found.size() > MOST_PROBLEMS) {
      problems
          .getChildren()
          .add(Parts.label("and %d more".formatted(found.size() - MOST_PROBLEMS), "ink-label"));
    }
  }

  private void put(RegisterMap map) {
    desk.review()
        .map(AxisReview::assembly)
        .ifPresent(a -> desk.apply(SetUpEdits.registers(a.drive().id(), "set registers", map)));
  }

  private void move(int by) {
    desk.review()
        .map(AxisReview::assembly)
        .ifPresent(
            a -> {
              try {
                RegisterMap moved = a.record().fieldbus().map().shifted(by);
                desk.apply(SetUpEdits.registers(a.drive().id(), "move registers by one", moved));
              } catch (IllegalArgumentException e) {
                desk.refuse(e.getMessage());
              }
            });
  }

  private void exportMap() {
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    if (axis.isPresent()) {
      desk.dialogs()
          .export("registers.csv")
          .ifPresent(file -> write(file, axis.get().record().fieldbus().map()));
    }
  }

  private void write(Path file, RegisterMap map) {
    try {
      RegisterLists.write(file, map);
      desk.say("registers written to " + file);
    } catch (IOException e) {
      desk.refuse("the registers could not be written: " + e.getMessage());
    }
  }
}
