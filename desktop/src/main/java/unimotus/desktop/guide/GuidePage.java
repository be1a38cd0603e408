package unimotus.desktop.guide;

import java.util.Objects;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.Node;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.TextNode;
import unimotus.desktop.guide.Guide.Chapter;
import unimotus.desktop.kit.Parts;

/** A chapter drawn as the window draws everything else. */
final class GuidePage extends VBox {
  private final Consumer<String> follow;

  /**
   * @param follow takes the anchor of a link that was pressed
   */
  GuidePage(Chapter chapter, Consumer<String> follow) {
    super(10);
    this.follow = follow;
    getChildren().add(Parts.label(chapter.title(), "ink-title"));
    chapter.blocks().forEach(b -> getChildren().add(block(b)));
  }

  private Node block(Element element) {
    return switch (element.normalName()) {
      case "ul", "ol" -> list(element);
      case "table" -> table(element);
      case "h3" -> Parts.label(element.text(), "ink-strong");
      case "p" ->
          element.childrenSize() == 1 && element.child(0).normalName().equals("img")
              ? picture(element.child(0))
              : words(element);
      default -> words(element);
    };
  }

  private Node list(Element list) {
    VBox rows = new VBox(6);
    boolean numbered = list.normalName().equals("ol");
    int number = 1;
    for (Element item : list.children()) {
      Label sign = Parts.label(numbered ? number++ + "." : "–", "ink-strong");
      sign.setMinWidth(Region.USE_PREF_SIZE);
      TextFlow words = words(item);
      HBox.setHgrow(words, Priority.ALWAYS);
      rows.getChildren().add(new HBox(8, sign, words));
    }
    return rows;
  }

  private Node table(Element table) {
    GridPane grid = new GridPane();
    grid.setHgap(18);
    grid.setVgap(6);
    int row = 0;
    for (Element line : table.select("tr")) {
      int column = 0;
      for (Element cell : line.children()) {
        TextFlow words = words(cell);
        GridPane.setValignment(words, VPos.TOP);
        grid.add(words, column++, row);
      }
      row++;
    }
    int columns = grid.getColumnCount();
    for (int i = 0; i < columns; i++) {
      ColumnConstraints width = new ColumnConstraints();
      // The first column names, the others explain.
      width.setPercentWidth(i == 0 ? 28 : 72.0 / (columns - 1));
      grid.getColumnConstraints().add(width);
    }
    return grid;
  }

  private Node picture(Element image) {
    String source = Guide.FOLDER + image.attr("src");
    ImageView view =
        new ImageView(
            new Image(
                Objects.requireNonNull(GuidePage.class.getResource(source), source)
                    .toExternalForm(),
                true));
    view.setPreserveRatio(true);
    view.setSmooth(true);
    view.fitWidthProperty().bind(widthProperty().subtract(8));
    view.setAccessibleText(image.attr("alt"));
    return view;
  }

  private TextFlow words(Element element) {
    TextFlow flow = new TextFlow();
    flow.setLineSpacing(3);
    add(flow, element, element.normalName().equals("th") ? "guide-strong" : "guide-words");
    return flow;
  }

  private void add(TextFlow flow, Element element, String style) {
    for (org.jsoup.nodes.Node child : element.childNodes()) {
      if (child instanceof TextNode text) {
        flow.getChildren().add(text(text.text(), style));
      } else if (child instanceof Element inner) {
        switch (inner.normalName()) {
          case "strong" -> add(flow, inner, "guide-strong");
          case "em" -> add(flow, inner, "guide-emphasis");
          case "code" -> flow.getChildren().add(text(inner.text(), "guide-code"));
          case "a" -> flow.getChildren().add(link(inner));
          default -> add(flow, inner, style);
        }
      }
    }
  }

  private static Text text(String words, String style) {
    return Parts.words(words, style);
  }

  private Node link(Element element) {
    String target = element.attr("href");
    Hyperlink link = new Hyperlink(element.text());
    link.setOnAction(e -> follow.accept(target.replaceFirst("^#", "")));
    return link;
  }
}
