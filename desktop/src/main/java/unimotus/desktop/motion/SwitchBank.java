package unimotus.desktop.motion;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import unimotus.core.sheet.SwitchTable;
import unimotus.desktop.kit.Parts;

/** Switches as they sit side by side on a driver: up is on. */
final class SwitchBank extends HBox {
  private static final double WIDTH = 26;
  private static final double HEIGHT = 44;
  private static final double LEVER = 18;

  /**
   * The switches of a table.
   *
   * @param id of the bank in the window
   * @param shown how they stand
   * @param take gets the positions after one was moved
   */
  SwitchBank(String id, SwitchTable table, SwitchTable.Row shown, Consumer<List<Boolean>> take) {
    super(3);
    setId(id);
    setAlignment(Pos.BOTTOM_LEFT);
    getStyleClass().add("switch-bank");
    for (int i = 0; i < table.switches(); i++) {
      int at = i;
      boolean isOn = shown.on().get(i);
      ToggleButton one = new ToggleButton();
      one.setId("%s-%d".formatted(id, table.first() + i));
      one.setAccessibleText("Switch %d, %s".formatted(table.first() + i, isOn ? "on" : "off"));
      one.getStyleClass().setAll("dip-switch");
      one.setSelected(isOn);
      one.setMinSize(WIDTH, HEIGHT);
      one.setPrefSize(WIDTH, HEIGHT);
      one.setAlignment(isOn ? Pos.TOP_CENTER : Pos.BOTTOM_CENTER);
      Region lever = new Region();
      lever.getStyleClass().add("dip-lever");
      lever.setMinSize(LEVER, LEVER);
      lever.setMaxSize(LEVER, LEVER);
      one.setGraphic(lever);
      one.setOnAction(e -> take.accept(turned(shown.on(), at)));
      VBox column =
          Parts.column(2, one, Parts.label(Integer.toString(table.first() + i), "ink-label"));
      column.setAlignment(Pos.CENTER);
      getChildren().add(column);
    }
  }

  private static List<Boolean> turned(List<Boolean> on, int at) {
    List<Boolean> next = new ArrayList<>(on);
    next.set(at, !next.get(at));
    return next;
  }
}
