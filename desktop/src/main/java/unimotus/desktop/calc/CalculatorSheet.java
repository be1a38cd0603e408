package unimotus.desktop.calc;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.calc.CalcResult;
import unimotus.core.derivation.Step;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.Parts;
import unimotus.workbench.AxisNumbers;

/**
 * The calculators, over the window: questions on the left, numbers and the sum on the right. The
 * result follows every key; what is missing or makes no sense is said beside it.
 */
public final class CalculatorSheet extends StackPane {
  private static final double LIST = 440;

  private final Desk desk;
  private final TextField search = new TextField();
  private final ListView<Question> list = new ListView<>();
  private final VBox numbers = Parts.column(8);
  private final TextField result = new TextField();
  private final VBox sum = Parts.column(4);
  private final Map<String, TextField> fields = new TreeMap<>();
  private final List<Question> all = Question.all();
  private @Nullable Question shown;
  private @Nullable String takenFrom;

  /** A sheet that {@code close} puts away. */
  public CalculatorSheet(Desk desk, Runnable close) {
    this.desk = desk;
    search.setId("calc-search");
    search.setPromptText("find a calculator: torque, ramp, drop, counts …");
    search.textProperty().addListener((o, was, is) -> filter());
    search.setOnAction(e -> firstField());
    search.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.DOWN) {
            list.requestFocus();
            e.consume();
          }
        });
    list.setId("calc-list");
    list.setCellFactory(l -> new QuestionCell());
    list.getSelectionModel().selectedItemProperty().addListener((o, was, is) -> show(is));
    list.setOnKeyPressed(
        e -> {
          if (e.getCode() == KeyCode.ENTER) {
            firstField();
          }
        });
    result.setId("calc-result");
    result.setEditable(false);
    result.getStyleClass().add("station-entry");
    VBox left = Parts.column(8, search, list);
    left.setMinWidth(LIST);
    left.setPrefWidth(LIST);
    VBox.setVgrow(list, Priority.ALWAYS);
    VBox right = Parts.column(14, numbers, result, sum);
    HBox.setHgrow(right, Priority.ALWAYS);
    HBox columns = new HBox(24, left, right);
    VBox.setVgrow(columns, Priority.ALWAYS);
    VBox sheet =
        new VBox(
            14,
            Parts.row(
                8,
                Parts.label("Calculators", "ink-title"),
                Parts.spring(),
                Parts.action("close-calc", "Close", close)),
            columns);
    sheet.getStyleClass().add("help");
    sheet.setMaxSize(1060, 640);
    sheet.setPrefHeight(640);
    Region shade = new Region();
    shade.getStyleClass().add("shade");
    getChildren().addAll(shade, sheet);
    setVisible(false);
    filter();
  }

  /** Gives the keyboard to the search. */
  public void takeFocus() {
    applyCss();
    layout();
    search.requestFocus();
    search.selectAll();
    show(shown);
    answer();
  }

  /** Opens a question by its title. */
  public void open(String title) {
    search.setText(title);
    filter();
    firstField();
  }

  /** The titles of all questions. */
  public static List<String> titles() {
    return Question.all().stream().map(Question::title).toList();
  }

  private void filter() {
    list.getItems().setAll(all.stream().filter(q -> q.matches(search.getText())).toList());
    if (list.getItems().isEmpty()) {
      show(null);
    } else if (shown == null || !list.getItems().contains(shown)) {
      list.getSelectionModel().select(0);
    } else {
      list.getSelectionModel().select(shown);
    }
  }

  private void firstField() {
    Question now = shown;
    if (now != null) {
      Objects.requireNonNull(fields.get(now.asks().get(0).name())).requestFocus();
    }
  }

  private void show(@Nullable Question next) {
    if (next != null && next.equals(shown) && Objects.equals(desk.axisId().get(), takenFrom)) {
      return;
    }
    takenFrom = desk.axisId().get();
    shown = next;
    numbers.getChildren().clear();
    fields.clear();
    if (next == null) {
      numbers.getChildren().add(Parts.prose("No calculator matches these words.", "ink-label"));
      result.setVisible(false);
      sum.getChildren().clear();
      return;
    }
    result.setVisible(true);
    numbers.getChildren().add(Parts.prose(sentence(next.title()), "ink-strong"));
    next.asks().forEach(a -> numbers.getChildren().add(row(a)));
    taking(next).ifPresent(numbers.getChildren()::add);
    answer();
  }

  /** Offers what the axis in view has of these numbers; nothing where it has none. */
  private Optional<Button> taking(Question question) {
    AxisAssembly axis = desk.review().map(AxisReview::assembly).orElse(null);
    if (axis == null) {
      return Optional.empty();
    }
    Map<String, String> known = new TreeMap<>();
    AxisNumbers own = AxisNumbers.of(axis, desk.units());
    question
        .asks()
        .forEach(a -> own.of(question.name(), a.name()).ifPresent(t -> known.put(a.name(), t)));
    return known.isEmpty()
        ? Optional.empty()
        : Optional.of(
            Parts.quiet(
                "calc-take",
                "take from " + axis.axis().name(),
                () -> known.forEach((n, t) -> Objects.requireNonNull(fields.get(n)).setText(t))));
  }

  private static String sentence(String title) {
    return Character.toUpperCase(title.charAt(0)) + title.substring(1);
  }

  private HBox row(Question.Ask ask) {
    TextField field = new TextField();
    field.setId("calc-" + ask.name());
    field.setAccessibleText(ask.about());
    field.setPromptText(ask.prompt());
    field.setPrefColumnCount(14);
    field.setMinWidth(180);
    field.textProperty().addListener((o, was, is) -> answer());
    fields.put(ask.name(), field);
    Label about = Parts.prose(ask.about());
    HBox.setHgrow(about, Priority.ALWAYS);
    about.setMaxWidth(Double.MAX_VALUE);
    return Parts.row(12, about, field);
  }

  private void answer() {
    Question now = shown;
    if (now == null) {
      return;
    }
    Map<String, String> texts = new TreeMap<>();
    fields.forEach(
        (name, field) -> {
          if (!field.getText().isBlank()) {
            texts.put(name, field.getText());
          }
        });
    sum.getChildren().clear();
    List<String> open =
        now.asks().stream()
            .filter(a -> a.needed() && !texts.containsKey(a.name()))
            .map(Question.Ask::name)
            .toList();
    if (!open.isEmpty()) {
      result.clear();
      result.setPromptText("still to give: " + String.join(", ", open));
      return;
    }
    try {
      told(now.answer().apply(texts, desk.units().decimalMark()));
    } catch (IllegalArgumentException refused) {
      result.clear();
      result.setPromptText("no result");
      sum.getChildren().add(Parts.prose(String.valueOf(refused.getMessage()), "ink-attention"));
    }
  }

  private void told(CalcResult found) {
    QuantityFormat format = desk.units().format();
    result.setText(format.text(found.value(), found.unit()));
    for (Step step : found.derivation().steps()) {
      sum.getChildren().add(Parts.prose(step.text(), "ink-sum"));
    }
    if (!found.remark().isEmpty()) {
      sum.getChildren().add(Parts.prose(found.remark()));
    }
  }

  private static final class QuestionCell extends ListCell<Question> {
    @Override
    protected void updateItem(@Nullable Question question, boolean empty) {
      super.updateItem(question, empty);
      setText(question == null || empty ? null : sentence(question.title()));
      setWrapText(true);
      setPrefWidth(LIST - 30);
    }
  }
}
