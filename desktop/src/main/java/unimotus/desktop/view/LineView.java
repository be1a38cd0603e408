package unimotus.desktop.view;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.finding.Finding;
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
    List<AxisReview> axes = desk.session().review().axes();
    if (axes.isEmpty()) {
      rows.getChildren().add(welcome());
      return;
    }
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
    } else if (isDense(overview.all().size())) {
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
    return sheet;
  }
}
