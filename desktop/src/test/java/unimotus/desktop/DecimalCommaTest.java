package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Labeled;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import unimotus.workbench.WorkStep;

/** Where the reader wants a decimal comma, no measured or calculated number has a point. */
class DecimalCommaTest extends WindowTest {
  private static final Pattern POINTED =
      Pattern.compile("\\d\\.\\d+ ?(Hz|kHz|V|mV|A|mA|s|ms|rpm|%|kW|W|m|mm|m/min|m/s|Ω|kΩ|N·m|±|×)");

  private final List<String> pointed = new ArrayList<>();
  private int met;

  @Test
  void everyNumberHasTheComma() {
    onWindow(desk::openDemo);
    onWindow(
        () -> desk.remember(desk.preferences().get().withUnits(desk.units().withDecimalMark(','))));
    look("line");
    for (String axis : List.of("rinse-drum", "infeed-belt", "drying-fan", "header-pump")) {
      for (WorkStep step : WorkStep.values()) {
        if (step != WorkStep.HAND_OVER) {
          onWindow(() -> desk.show(axis, step));
          look(axis + ", " + step.label());
        }
      }
    }
    for (String side : List.of("figures", "compare")) {
      onWindow(() -> desk.show("rinse-drum", WorkStep.MAKE_SAFE));
      lookup("#side-" + side).<Button>tryQuery().ifPresent(b -> interact(b::fire));
      look("stop " + side);
    }
    for (String part : List.of("words", "registers", "frames", "live", "find", "controller")) {
      onWindow(() -> desk.show("infeed-belt", WorkStep.MAP));
      settle();
      interact(() -> lookup("#map-" + part).<Button>query().fire());
      look("map " + part);
    }
    onWindow(desk::startAxis);
    look("new axis");
    push(KeyCode.F9);
    look("calculators");
    push(KeyCode.F9);
    assertThat(pointed).isEmpty();
    assertThat(met).isGreaterThan(100);
    // A code is no number: it stays as the manual writes it.
    onWindow(() -> desk.show("drying-fan", WorkStep.SET_UP));
    settle();
    assertThat(shows("2.06")).isTrue();
  }

  private void look(String where) {
    settle();
    interact(() -> look(where, shell));
  }

  private void look(String where, Node node) {
    if (node instanceof TextArea) {
      // A program for the controller: its language has the point.
      return;
    }
    String said =
        node instanceof Labeled l
            ? l.getText()
            : node instanceof Text t
                ? t.getText()
                : node instanceof TextInputControl i ? i.getText() : null;
    if (said != null) {
      met += said.matches("(?s).*\\d,\\d.*") ? 1 : 0;
      if (POINTED.matcher(said).find()) {
        pointed.add(where + ": " + said);
      }
    }
    if (node instanceof javafx.scene.Parent parent) {
      parent.getChildrenUnmodifiable().forEach(child -> look(where, child));
    }
  }
}
