package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import unimotus.core.calc.Calculator;
import unimotus.core.calc.Calculators;

/** Every calculator in the window, by keyboard alone. */
class CalculatorSheetTest extends WindowTest {

  private String text(String field) {
    return lookup(field).<TextField>query().getText();
  }

  private void open() {
    push(KeyCode.F9);
    settle();
  }

  private void find(String words) {
    interact(() -> lookup("#calc-search").<TextField>query().setText(words));
    settle();
  }

  private void give(String name, String value) {
    interact(() -> lookup("#calc-" + name).<TextField>query().setText(value));
  }

  @Test
  void aQuestionIsFoundTypedAndAnswered() {
    open();
    find("ramp torque");
    write("\n");
    write("0.5\t1500\t5");
    settle();
    assertThat(text("#calc-result")).as("0.5·157.08/5").isEqualTo("15.708 N·m");
    assertThat(shows("Newton's second law")).isTrue();
    push(KeyCode.ESCAPE);
    settle();
    assertThat(lookup("#calc-search").tryQuery().map(Node::getParent).map(p -> shownOnScreen(p)))
        .contains(false);
  }

  private static boolean shownOnScreen(Node node) {
    for (Node at = node; at != null; at = at.getParent()) {
      if (!at.isVisible()) {
        return false;
      }
    }
    return true;
  }

  @Test
  void whatMakesNoSenseIsSaidBesideTheNumbers() {
    open();
    find("cable");
    give("current", "200");
    give("length", "100");
    give("size", "1,500");
    settle();
    assertThat(shows("can mean 1500 or 1.500")).isTrue();
    assertThat(text("#calc-result")).isEmpty();
    give("size", "AWG 3/0");
    settle();
    assertThat(text("#calc-result")).endsWith(" V");
    find("no such question at all");
    assertThat(shows("No calculator matches these words")).isTrue();
  }

  /** Each gives the number the command line gives for its example. */
  @Test
  void everyCalculatorIsReachable() {
    open();
    for (Calculator calculator : Calculators.all()) {
      Map<String, String> example = new LinkedHashMap<>();
      for (String pair : calculator.example().split(" ")) {
        String[] halves = pair.split("=");
        example.put(halves[0], halves[1]);
      }
      find(calculator.name());
      interact(
          () -> {
            ListView<?> list = lookup("#calc-list").query();
            for (int i = 0; i < list.getItems().size(); i++) {
              if (list.getItems()
                  .get(i)
                  .toString()
                  .startsWith("Question[name=" + calculator.name() + ",")) {
                list.getSelectionModel().select(i);
              }
            }
          });
      example.forEach(this::give);
      settle();
      double value = calculator.compute(example).value();
      assertThat(text("#calc-result"))
          .as(calculator.name())
          .isEqualTo(desk.units().format().text(value, calculator.compute(example).unit()));
    }
  }
}
