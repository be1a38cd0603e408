package unimotus.desktop.guide;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import unimotus.desktop.guide.Guide.Chapter;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Styles;

/** The guide over the window, a chapter at a time; F1 or Escape puts it away. */
public final class GuideSheet extends StackPane {
  private static final String KEYS = "Keys and signs";
  private static final double WIDTH = 1080;
  private static final double HEIGHT = 720;
  private static final double CHAPTERS = 190;
  private static final double MARGIN = 24;

  private final Guide guide = Guide.shipped();
  private final Map<String, Button> chapters = new LinkedHashMap<>();
  private final ScrollPane page = new ScrollPane();
  private String open = "";

  /**
   * @param close puts the sheet away
   */
  public GuideSheet(Runnable close) {
    VBox list = new VBox(2);
    addChapter(list, KEYS, () -> show(KEYS, new KeysPage()));
    guide.chapters().forEach(c -> addChapter(list, c.title(), () -> show(c)));
    ScrollPane contents = Parts.scrolling(list);
    contents.setMinWidth(CHAPTERS);
    contents.setPrefWidth(CHAPTERS);
    page.setFitToWidth(true);
    page.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    HBox.setHgrow(page, Priority.ALWAYS);
    HBox middle = new HBox(22, contents, page);
    VBox.setVgrow(middle, Priority.ALWAYS);
    HBox head =
        Parts.row(
            10,
            Parts.label("Guide", "ink-title"),
            Parts.spring(),
            Parts.action("close-help", "Close", close));
    VBox sheet = new VBox(12, head, middle);
    sheet.getStyleClass().add("help");
    sheet.setMaxSize(WIDTH, HEIGHT);
    Region shade = new Region();
    shade.getStyleClass().add("shade");
    getChildren().addAll(shade, sheet);
    setVisible(false);
    widthProperty().addListener((o, was, is) -> sheet.setMaxWidth(room(is, WIDTH)));
    heightProperty().addListener((o, was, is) -> sheet.setMaxHeight(room(is, HEIGHT)));
  }

  private static double room(Number there, double wanted) {
    return Math.min(wanted, there.doubleValue() - MARGIN);
  }

  private void addChapter(VBox list, String title, Runnable show) {
    Button button = Parts.action("chapter-" + chapters.size(), title, show);
    button.getStyleClass().add("chapter");
    button.setMaxWidth(Double.MAX_VALUE);
    button.setWrapText(true);
    chapters.put(title, button);
    list.getChildren().add(button);
  }

  /** Opens the chapter on a station or view; keys and signs where there is none. */
  public void open(String title) {
    guide.chapter(title).ifPresentOrElse(this::show, () -> show(KEYS, new KeysPage()));
    applyCss();
    layout();
    // Later than the shell's own wish for the keyboard.
    chosen().requestFocus();
  }

  private Node chosen() {
    return chapters.getOrDefault(open, chapters.values().iterator().next());
  }

  private void show(Chapter chapter) {
    show(chapter.title(), new GuidePage(chapter, this::follow));
  }

  private void follow(String anchor) {
    guide.linked(anchor).ifPresent(this::show);
  }

  private void show(String title, Node content) {
    open = title;
    chapters.forEach((t, b) -> Styles.choose(b, t.equals(title)));
    StackPane padded = new StackPane(content);
    padded.getStyleClass().add("guide-page");
    page.setContent(padded);
    page.setVvalue(0);
  }
}
