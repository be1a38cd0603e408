package unimotus.desktop.guide;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;

/**
 * The guide as it ships: HTML, a chapter a heading of the second degree.
 *
 * @param chapters the chapters in their order
 */
record Guide(List<Chapter> chapters) {
  /** Where the guide and its pictures lie. */
  static final String FOLDER = "/unimotus/desktop/guide/";

  /**
   * A chapter.
   *
   * @param anchor what links to it
   * @param title its heading
   * @param blocks its paragraphs, lists, tables and pictures
   */
  record Chapter(String anchor, String title, List<Element> blocks) {}

  Guide {
    chapters = List.copyOf(chapters);
  }

  /** Reads the guide. */
  static Guide shipped() {
    try (InputStream in =
        Objects.requireNonNull(Guide.class.getResourceAsStream(FOLDER + "guide.html"))) {
      return of(Jsoup.parse(in, "UTF-8", "").body());
    } catch (IOException e) {
      throw new IllegalStateException("the guide that ships with the program is unreadable", e);
    }
  }

  private static Guide of(Element body) {
    List<Chapter> chapters = new ArrayList<>();
    List<Element> blocks = new ArrayList<>();
    for (Element element : body.children()) {
      if (element.normalName().equals("h2")) {
        blocks = new ArrayList<>();
        String anchor = element.select("[id]").attr("id");
        chapters.add(new Chapter(anchor, element.text(), blocks));
      } else {
        blocks.add(element);
      }
    }
    return new Guide(chapters);
  }

  /** The chapter whose heading begins with these words. */
  Optional<Chapter> chapter(String title) {
    return chapters.stream().filter(c -> c.title().startsWith(title)).findFirst();
  }

  /** The chapter a link leads to. */
  Optional<Chapter> linked(String anchor) {
    return chapters.stream().filter(c -> c.anchor().equals(anchor)).findFirst();
  }
}
