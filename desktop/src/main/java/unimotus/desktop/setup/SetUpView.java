package unimotus.desktop.setup;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.review.AxisReview;
import unimotus.core.settings.DriveMemory;
import unimotus.core.settings.EntrySheet;
import unimotus.core.settings.Habits;
import unimotus.core.settings.Journey;
import unimotus.core.sheet.SettingDefinition;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.desktop.kit.Tabs;
import unimotus.desktop.station.FindingList;
import unimotus.desktop.station.View;
import unimotus.workbench.Edits;
import unimotus.workbench.SettingLists;
import unimotus.workbench.Truth;
import unimotus.workbench.WorkStep;

/** The station Set up. */
public final class SetUpView implements View {
  private enum Side {
    WHY("Why"),
    COMPARE("Compare"),
    REHEARSE("Trial"),
    BORROW("Borrow"),
    READY("Ready");

    private final String label;

    Side(String label) {
      this.label = label;
    }
  }

  /** What the drive stands at before anything is entered. */
  private enum Start {
    NEW("factory defaults"),
    FOUND("as found"),
    RESET("a reset first");

    private final String label;

    Start(String label) {
      this.label = label;
    }
  }

  private static final double LEAST_LIST = 470;
  private static final double LEAST_SIDE = 280;
  private static final double SIDE = 386;

  private final Desk desk;
  private final Label count = Parts.prose("", "ink-label");
  private final TextField search = new TextField();
  private final ChoiceField<Start> startField;
  private final VBox habits = Parts.column(3);
  private final ChoiceField<EntrySheet.Way> wayField;
  private final JourneyPane journey;
  private final WhyPane why;
  private final TruthsPane truths;
  private final RehearsalPane rehearsal;
  private final BorrowPane borrow;
  private final ReadyPane ready;
  private final FindingList findings;
  private final Tabs<Side> tabs = new Tabs<>("side-", Side.class, s -> s.label, this::show);
  private final VBox side = new VBox(8);
  private final HBox middle = new HBox(14);
  private final VBox page;

  private Side shownSide = Side.WHY;
  private Start start = Start.NEW;
  private EntrySheet.Way way = EntrySheet.Way.KEYPAD;
  private @Nullable String chosen;
  private @Nullable Journey shown;

  /** The station for a desk. */
  public SetUpView(Desk desk) {
    this.desk = desk;
    journey = new JourneyPane(desk, this::choose);
    why = new WhyPane(desk);
    truths = new TruthsPane(desk);
    rehearsal = new RehearsalPane(desk);
    borrow = new BorrowPane(desk);
    ready = new ReadyPane(desk, "");
    findings = new FindingList(desk);
    wayField =
        new ChoiceField<>(
            "entered by",
            Arrays.asList(EntrySheet.Way.values()),
            w -> w == EntrySheet.Way.KEYPAD ? "by keypad" : "by communication",
            w -> {
              way = w;
              refresh();
            });
    wayField.setId("entry-way");
    wayField.show(way);
    search.setId("search-settings");
    search.setPromptText("find a setting");
    search.setAccessibleText("find a setting");
    search.setPrefColumnCount(9);
    search.textProperty().addListener((o, was, is) -> refresh());
    search.setOnAction(e -> journey.goToSought());
    startField =
        new ChoiceField<>(
            "begins with",
            Arrays.asList(Start.values()),
            s -> s.label,
            s -> {
              start = s;
              refresh();
            });
    startField.setId("entry-start");
    startField.show(start);
    page =
        new VBox(
            8,
            Parts.caution(
                "Isolate or uncouple the motor while settings are changed. The stop is proved before it turns."),
            middle);
    page.setPadding(new Insets(10, 14, 10, 14));
    VBox.setVgrow(middle, Priority.ALWAYS);
    build();
  }

  private void build() {
    FlowPane actions =
        Parts.flow(
            8,
            Parts.primary("take-over", "Enter what follows", this::takeOver),
            wayField,
            startField,
            search);
    FlowPane told =
        Parts.flow(
            8, count, Parts.quiet("export-entry", "write the entry sheet", this::exportEntry));
    VBox left = new VBox(8, actions, told, habits, Parts.scrolling(journey));
    side.setPadding(new Insets(0, 12, 0, 0));
    VBox right = Parts.sheet(8, tabs, Parts.scrolling(side));
    Sides sides = new Sides(left, right, LEAST_LIST, LEAST_SIDE, SIDE);
    HBox.setHgrow(sides, Priority.ALWAYS);
    middle.getChildren().setAll(sides);
  }

  @Override
  public Node node() {
    return page;
  }

  @Override
  public void refresh() {
    AxisReview review = desk.review().orElse(null);
    AxisAssembly axis = review == null ? null : review.assembly();
    if (review == null || axis == null) {
      page.getChildren().set(1, missing(review));
      return;
    }
    if (axis.driveSheet().settings().isEmpty()) {
      shown = null;
      count.setText("");
      page.getChildren().set(1, Parts.prose(none(axis), "ink-label"));
      return;
    }
    page.getChildren().set(1, middle);
    DriveMemory held = held(axis);
    Habits both;
    try {
      both = Habits.of(axis, held, way);
    } catch (IllegalArgumentException ring) {
      shown = null;
      count.setText(ring.getMessage());
      return;
    }
    Optional<EntrySheet> reset = start == Start.RESET ? both.afterReset() : Optional.empty();
    Journey now = Journey.of(axis, reset.orElse(both.difference()));
    shown = now;
    count.setText(
        "%s of %d settings%s"
            .formatted(
                length(now.entry()), axis.driveSheet().settings().size(), begins(axis, reset)));
    compare(both, reset.isPresent());
    desk.navigation()
        .takeAim()
        .map(place -> place.substring(place.lastIndexOf('/') + 1))
        .filter(code -> axis.driveSheet().setting(code).isPresent())
        .ifPresent(this::aimAt);
    journey.show(axis, now, search.getText().strip(), chosen);
    showSide(axis, now, held, here(review));
  }

  private static String none(AxisAssembly axis) {
    return axis.isStepped()
        ? "%s has no settings: its switches are at Map, Motion, Coils."
            .formatted(axis.driveSheet().name())
        : "The sheet %s states no settings.".formatted(axis.driveSheet().name());
  }

  private static Node missing(@Nullable AxisReview review) {
    return Parts.prose(review == null ? "Choose an axis." : review.whyNoPath(), "ink-label");
  }

  private void aimAt(String code) {
    chosen = code;
    shownSide = Side.WHY;
    Platform.runLater(
        () -> {
          // A scroll pane takes its content in only when it is styled; before that it has no focus.
          page.applyCss();
          page.layout();
          journey.goTo(code);
        });
  }

  private static List<Finding> here(AxisReview review) {
    return review.findings().stream()
        .filter(f -> WorkStep.of(f.rule()) == WorkStep.SET_UP)
        .toList();
  }

  /** What the drive holds before anything is entered. */
  private DriveMemory held(AxisAssembly axis) {
    return Truth.FOUND
        .of(axis)
        .filter(values -> start != Start.NEW)
        .map(values -> DriveMemory.holding(axis.driveSheet(), values))
        .orElse(DriveMemory.works(axis.driveSheet()));
  }

  private String begins(AxisAssembly axis, Optional<EntrySheet> reset) {
    if (start == Start.FOUND && Truth.FOUND.of(axis).isEmpty()) {
      return ", factory defaults: nothing was read as found yet (Compare reads a list)";
    }
    if (start == Start.RESET && reset.isEmpty()) {
      return ": the drive is at factory defaults, or has no reset";
    }
    return start == Start.NEW
        ? ", in a drive at factory defaults"
        : start == Start.FOUND ? ", in the drive as found" : "";
  }

  private String length(EntrySheet entry) {
    return way == EntrySheet.Way.KEYPAD
        ? "%d entries, %d key presses on the way,".formatted(entry.steps().size(), entry.presses())
        : "%d entries".formatted(entry.steps().size());
  }

  /** What the other habit would take, and what the chosen one puts at risk. */
  private void compare(Habits both, boolean afterReset) {
    habits.getChildren().clear();
    if (start != Start.NEW && both.afterReset().isPresent()) {
      EntrySheet other = afterReset ? both.difference() : both.afterReset().get();
      habits
          .getChildren()
          .add(
              Parts.prose(
                  "%s it would be %s"
                      .formatted(
                          afterReset ? "Only the difference:" : "With a reset first", length(other))
                      .replaceAll(",$", "."),
                  "ink-label"));
    }
    List<String> risks = afterReset ? both.risksOfReset() : both.risksOfDifference();
    risks.forEach(r -> habits.getChildren().add(Parts.prose("⚠  " + r)));
  }

  private void showSide(AxisAssembly axis, Journey now, DriveMemory held, List<Finding> found) {
    tabs.show(shownSide);
    switch (shownSide) {
      case WHY -> showWhy(axis, now, found);
      case COMPARE -> {
        truths.show(axis);
        side.getChildren().setAll(truths);
      }
      case REHEARSE -> {
        rehearsal.show(axis, now, held);
        side.getChildren().setAll(rehearsal);
      }
      case BORROW -> {
        borrow.show(axis);
        side.getChildren().setAll(borrow);
      }
      case READY -> {
        desk.evidence().ifPresent(ready::show);
        side.getChildren().setAll(ready);
      }
    }
  }

  private void showWhy(AxisAssembly axis, Journey now, List<Finding> found) {
    SettingDefinition setting =
        chosen == null ? null : axis.driveSheet().setting(chosen).orElse(null);
    side.getChildren().clear();
    if (setting == null) {
      side.getChildren()
          .add(
              Parts.prose(
                  "Choose a setting to see why it has its value and what it affects.",
                  "ink-label"));
    } else {
      why.show(axis, now, setting, found);
      side.getChildren().add(why);
    }
    findings.show(found);
    side.getChildren().addAll(Parts.label("What the settings say", "ink-strong"), findings);
  }

  private void show(Side next) {
    shownSide = next;
    refresh();
  }

  /** A row that is pressed is looked at; its field keeps the keyboard. */
  private void choose(String code) {
    AxisReview review = desk.review().orElse(null);
    Journey now = shown;
    if (code.equals(chosen) || now == null || review == null || review.assembly() == null) {
      return;
    }
    chosen = code;
    shownSide = Side.WHY;
    journey.choose(now, code);
    showSide(review.assembly(), now, held(review.assembly()), here(review));
  }

  private void takeOver() {
    desk.axis().ifPresent(a -> desk.apply(Edits.takeOverDerived(desk.session().sheets(), a.id())));
  }

  private void exportEntry() {
    Journey now = shown;
    if (now == null) {
      return;
    }
    desk.dialogs()
        .export("entry-sheet.csv")
        .ifPresent(
            file -> {
              try {
                SettingLists.write(file, now);
                desk.say("entry sheet written to " + file);
              } catch (java.io.IOException e) {
                desk.refuse("the entry sheet could not be written: " + e.getMessage());
              }
            });
  }
}
