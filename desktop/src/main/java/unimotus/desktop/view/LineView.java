package unimotus.desktop.view;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
import unimotus.core.machine.Axis;
import unimotus.core.proof.Verdict;
import unimotus.core.quantity.Count;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Mark;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.States;
import unimotus.desktop.station.View;
import unimotus.workbench.Overview;

/**
 * The overview of the line: every axis as a thread from controller to machine, and how far it is.
 */
final class LineView implements View {
  /** A line with more axes than this is shown on one line each until somebody chooses. */
  private static final int ROOMY_AXES = 12;

  private final Desk desk;
  private final VBox rows = new VBox(8);
  private final ChoiceField<Overview.Filter> filters;
  private final ChoiceField<Overview.Order> orders;
  private Overview.Filter filter = Overview.Filter.ALL;
  private Overview.Order order = Overview.Order.LINE;
  private @Nullable Boolean dense;
  private final Node node;

  LineView(Desk desk) {
    this.desk = desk;
    rows.setPadding(new Insets(16));
    filters =
        new ChoiceField<>(
            "which axes",
            List.of(Overview.Filter.values()),
            Overview.Filter::label,
            f -> {
              filter = f;
              refresh();
            });
    filters.setId("line-filter");
    orders =
        new ChoiceField<>(
            "in which order",
            List.of(Overview.Order.values()),
            Overview.Order::label,
            o -> {
              order = o;
              refresh();
            });
    orders.setId("line-order");
    this.node = Parts.scrolling(rows);
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void refresh() {
    rows.getChildren().clear();
    if (desk.session().project().axes().isEmpty()) {
      rows.getChildren().add(welcome());
    } else if (desk.isChecked()) {
      show(desk.session().review().axes());
    } else {
      showUnchecked(desk.session().project().axes());
    }
  }

  /** What is known before the rules were asked: the axes, and what they are made of. */
  private void showUnchecked(List<Axis> axes) {
    AxisRow row = new AxisRow(desk);
    rows.getChildren()
        .addAll(
            Parts.flow(
                14,
                Parts.label(desk.session().project().name(), "ink-title"),
                Parts.label(
                    Count.of(axes.size(), "axis", "axes") + ", being checked", "ink-label")),
            controls(axes.size()));
    // Those that fit on a screen: the rest stand there a moment later.
    axes.stream().limit(ROOMY_AXES).forEach(axis -> rows.getChildren().add(row.unchecked(axis)));
  }

  private void show(List<AxisReview> axes) {
    Overview overview = Overview.of(axes, desk::progress, this::verdicts);
    rows.getChildren()
        .addAll(
            Parts.flow(
                14,
                Parts.label(desk.session().project().name(), "ink-title"),
                Parts.label(summary(overview), "ink-label")),
            controls(axes.size()));
    List<Finding> loose = desk.session().review().line();
    if (!loose.isEmpty()) {
      rows.getChildren().add(ofNoAxis(loose));
    }
    show(overview);
  }

  private void show(Overview overview) {
    List<Overview.Row> shown = overview.rows(filter, order);
    AxisRow row = new AxisRow(desk);
    if (shown.isEmpty()) {
      rows.getChildren().add(Parts.prose("No axis is " + filter.label() + ".", "ink-label"));
    } else if (order == Overview.Order.GROUP) {
      Map<String, List<Overview.Row>> groups = new LinkedHashMap<>();
      shown.forEach(
          r ->
              groups
                  .computeIfAbsent(
                      Objects.requireNonNullElse(r.review().axis().group(), "of no group"),
                      g -> new ArrayList<>())
                  .add(r));
      groups.forEach(
          (group, inIt) -> {
            rows.getChildren().add(Parts.label(heading(group, inIt), "ink-strong"));
            show(inIt, row, isDense(overview.all().size()));
          });
    } else {
      show(shown, row, isDense(overview.all().size()));
    }
  }

  private static String heading(String group, List<Overview.Row> rows) {
    long errors = rows.stream().mapToLong(Overview.Row::errors).sum();
    String axes = Count.of(rows.size(), "axis", "axes");
    return errors == 0
        ? "%s: %s".formatted(group, axes)
        : "%s: %s, %s".formatted(group, axes, Count.of(errors, "error"));
  }

  private void show(List<Overview.Row> shown, AxisRow row, boolean onOneLine) {
    if (onOneLine) {
      VBox sheet = Parts.sheet(0);
      shown.forEach(r -> sheet.getChildren().add(row.dense(r)));
      rows.getChildren().add(sheet);
    } else {
      shown.forEach(r -> rows.getChildren().add(row.roomy(r)));
    }
  }

  private boolean isDense(int axes) {
    return dense == null ? axes > ROOMY_AXES : dense;
  }

  private List<Verdict> verdicts(AxisReview review) {
    return desk.evidence(review).map(e -> e.proof().verdicts()).orElse(List.of());
  }

  private static String summary(Overview overview) {
    List<String> words = new ArrayList<>();
    words.add(Count.of(overview.all().size(), "axis", "axes"));
    long errors = overview.total(Overview.Row::errors);
    words.add(
        errors == 0
            ? "no errors"
            : "%s on %s"
                .formatted(
                    Count.of(errors, "error"),
                    Count.of(overview.count(Overview.Filter.ERRORS), "axis", "axes")));
    long stale = overview.total(Overview.Row::stale);
    if (stale > 0) {
      words.add(Count.of(stale, "stale reading"));
    }
    return String.join(", ", words);
  }

  private FlowPane controls(int axes) {
    filters.show(filter);
    orders.show(order);
    boolean now = isDense(axes);
    return Parts.flow(
        10,
        filters,
        orders,
        Parts.quiet(
            "line-dense",
            now ? "more room" : "one line each",
            () -> {
              dense = !now;
              refresh();
            }));
  }

  /** What cannot be used and belongs to no axis. */
  private static Node ofNoAxis(List<Finding> loose) {
    VBox sheet = Parts.sheet(4, Parts.label("Belongs to no axis and cannot be used", "ink-strong"));
    sheet.setId("line-findings");
    for (Finding finding : loose) {
      HBox row =
          new HBox(
              9,
              new Mark(States.mark(finding.severity()), finding.severity().label()),
              Parts.prose(
                  "%s: %s. %s".formatted(finding.rule().code(), finding.seen(), finding.remedy())));
      HBox.setHgrow(row.getChildren().get(1), Priority.ALWAYS);
      sheet.getChildren().add(row);
    }
    return sheet;
  }

  private Node welcome() {
    VBox sheet =
        Parts.sheet(
            12,
            Parts.label("An empty line", "ink-title"),
            Parts.prose(
                "An axis is a controller's channel, a drive, a motor and what it moves. Name these four and Unimotus"
                    + " fills in what follows from them: the channel, the settings from the plate, the wires, the"
                    + " predictions. Then you look at what it says, and measure."),
            Parts.row(
                10,
                Parts.primary("start-axis", "Start the first axis", desk::startAxis),
                Parts.action("open-demo", "Open the demo line", desk::openDemo)));
    sheet.setMaxWidth(640);
    return Parts.column(12, sheet, recent());
  }

  /** The files that were open last, to go on with. */
  private Node recent() {
    VBox sheet = Parts.sheet(6, Parts.label("Go on with", "ink-strong"));
    List<Path> files = desk.preferences().get().recent().stream().filter(Files::exists).toList();
    if (files.isEmpty()) {
      sheet
          .getChildren()
          .add(
              Parts.prose(
                  "Lines you save or open stand here. A project file can also be dropped on the window.",
                  "ink-label"));
    }
    for (int i = 0; i < files.size(); i++) {
      Path file = files.get(i);
      sheet
          .getChildren()
          .add(
              Parts.row(
                  10,
                  Parts.quiet(
                      "recent-" + i,
                      String.valueOf(file.getFileName()),
                      () -> desk.navigation().open(file)),
                  Parts.label(String.valueOf(file.getParent()), "ink-caption")));
    }
    sheet.setMaxWidth(640);
    return sheet;
  }
}
