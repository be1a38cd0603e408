package unimotus.desktop.kit;

import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;

/** The small parts every view is put together from, with their styles. */
public final class Parts {
  private Parts() {}

  /** A label with style classes. */
  public static Label label(String text, String... styles) {
    Label label = Decimals.in(new Label(text));
    label.getStyleClass().addAll(styles);
    return label;
  }

  /** Bare words without a label's skin, for pages with very many of them. */
  public static Text words(String text, String style) {
    Text words = new Text(Decimals.shown(text));
    words.getStyleClass().add(style);
    return words;
  }

  /** A label that wraps. */
  public static Label prose(String text, String... styles) {
    Label label = label(text, styles);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  /** A label that wraps and takes no room while it says nothing. */
  public static Label passing(String... styles) {
    Label label = prose("", styles);
    label.managedProperty().bind(label.textProperty().isNotEmpty());
    return label;
  }

  /** A button with a word on it. */
  public static Button action(String id, String text, Runnable does) {
    Button button = Decimals.in(new Button(text));
    button.setId(id);
    button.getStyleClass().setAll("action");
    button.setOnAction(e -> does.run());
    return button;
  }

  /** The one button that is the thing to do. */
  public static Button primary(String id, String text, Runnable does) {
    Button button = action(id, text, does);
    button.getStyleClass().add("primary");
    return button;
  }

  /** A button that reads like a phrase. */
  public static Button quiet(String id, String text, Runnable does) {
    Button button = action(id, text, does);
    button.getStyleClass().setAll("quiet");
    button.setMinWidth(Region.USE_PREF_SIZE);
    return button;
  }

  /** Takes up the room that is left over. */
  public static Region spring() {
    Region spring = new Region();
    HBox.setHgrow(spring, Priority.ALWAYS);
    return spring;
  }

  /** Nodes one below the other. */
  public static VBox column(double gap, Node... nodes) {
    return new VBox(gap, nodes);
  }

  /** Nodes side by side, on one line. */
  public static HBox row(double gap, Node... nodes) {
    HBox row = new HBox(gap, nodes);
    row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
    return row;
  }

  /** Nodes side by side, on as many lines as they need. */
  public static FlowPane flow(double gap, Node... nodes) {
    FlowPane flow = new FlowPane(gap, Math.min(gap, 6), nodes);
    flow.setRowValignment(javafx.geometry.VPos.CENTER);
    return flow;
  }

  /** A raised sheet with nodes one below the other. */
  public static VBox sheet(double gap, Node... nodes) {
    VBox sheet = column(gap, nodes);
    sheet.getStyleClass().add("sheet");
    return sheet;
  }

  /** Scrolls up and down, as wide as there is room, and follows the keyboard. */
  public static ScrollPane scrolling(Node content) {
    ScrollPane pane = new FollowingPane(content);
    VBox.setVgrow(pane, Priority.ALWAYS);
    return pane;
  }

  /** The usual caution, in the colour of safety. */
  public static Node caution(String text) {
    HBox band = row(8, prose("⚠  " + text));
    band.getStyleClass().add("caution");
    return band;
  }
}
