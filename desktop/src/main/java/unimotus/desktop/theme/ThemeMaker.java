package unimotus.desktop.theme;

import atlantafx.base.theme.PrimerLight;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.css.Stylesheet;

/**
 * Run by the build: writes the theme without the rules of absent controls, as text and compiled.
 */
public final class ThemeMaker {
  private static final Pattern COMMENT = Pattern.compile("/\\*.*?\\*/", Pattern.DOTALL);
  private static final Pattern RULE = Pattern.compile("([^{}]+)\\{([^{}]*)\\}");
  private static final Pattern STYLE_CLASS = Pattern.compile("\\.([\\w-]+)");

  private ThemeMaker() {}

  /**
   * Makes the theme.
   *
   * @param arguments the folder it is written to
   * @throws IOException where the theme cannot be read or written
   */
  public static void main(String[] arguments) throws IOException {
    Path folder = Files.createDirectories(Path.of(arguments[0]));
    Path text = folder.resolve("theme.css");
    Files.writeString(text, lean(whole()));
    Stylesheet.convertToBinary(text.toFile(), folder.resolve("theme.bss").toFile());
  }

  /** The whole theme as text. */
  static String whole() throws IOException {
    String place = new PrimerLight().getUserAgentStylesheet();
    try (InputStream in = Objects.requireNonNull(PrimerLight.class.getResourceAsStream(place))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  /** A theme without the selectors that name an absent control, and the rules left without any. */
  static String lean(String whole) {
    StringBuilder lean = new StringBuilder();
    Matcher rules = RULE.matcher(COMMENT.matcher(whole).replaceAll(""));
    while (rules.find()) {
      String selectors =
          Stream.of(rules.group(1).split(","))
              .map(String::strip)
              .filter(s -> !namesAbsent(s))
              .collect(Collectors.joining(", "));
      if (!selectors.isEmpty()) {
        lean.append(selectors).append(" {").append(rules.group(2)).append("}\n");
      }
    }
    return lean.toString();
  }

  private static boolean namesAbsent(String selector) {
    return STYLE_CLASS.matcher(selector).results().anyMatch(c -> Theme.ABSENT.contains(c.group(1)));
  }
}
