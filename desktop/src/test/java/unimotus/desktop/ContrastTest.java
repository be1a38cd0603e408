package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The colours that words are written in, on what they are written on: at least 4.5 to 1 (WCAG 2.1,
 * success criterion 1.4.3, from memory), lines and marks at least 3 to 1 (1.4.11, from memory).
 */
class ContrastTest {
  private static final Pattern TOKEN = Pattern.compile("(-u-[a-z-]+):\\s*(#[0-9a-fA-F]{3,8})\\s*;");

  private static Map<String, Color> tokens(String selector) throws IOException {
    String css =
        new String(
            Look.class.getResourceAsStream("unimotus.css").readAllBytes(), StandardCharsets.UTF_8);
    int from = css.indexOf(selector + " {");
    assertThat(from).as(selector).isNotNegative();
    Matcher token = TOKEN.matcher(css.substring(from, css.indexOf('}', from)));
    Map<String, Color> found = new HashMap<>();
    while (token.find()) {
      found.put(token.group(1), Color.web(token.group(2)));
    }
    return found;
  }

  private static double channel(double c) {
    return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
  }

  /** Relative luminance as WCAG 2.1 defines it (from memory). */
  private static double luminance(Color c) {
    return 0.2126 * channel(c.getRed())
        + 0.7152 * channel(c.getGreen())
        + 0.0722 * channel(c.getBlue());
  }

  private static double ratio(Color one, Color other) {
    double light = Math.max(luminance(one), luminance(other));
    double dark = Math.min(luminance(one), luminance(other));
    return (light + 0.05) / (dark + 0.05);
  }

  @ParameterizedTest
  @CsvSource({
    "-u-ink, -u-paper, 4.5",
    "-u-ink, -u-raised, 4.5",
    "-u-ink, -u-sunken, 4.5",
    "-u-soft, -u-paper, 4.5",
    "-u-soft, -u-raised, 4.5",
    "-u-soft, -u-sunken, 4.5",
    "-u-live, -u-paper, 4.5",
    "-u-live, -u-raised, 4.5",
    "-u-predicted, -u-raised, 4.5",
    "-u-attention, -u-raised, 4.5",
    "-u-danger, -u-raised, 4.5",
    "-u-caution-ink, -u-caution, 4.5"
  })
  void wordsCanBeRead(String ink, String ground, double least) throws IOException {
    for (String look : new String[] {".root", ".root.dark"}) {
      Map<String, Color> tokens = new HashMap<>(tokens(".root"));
      tokens.putAll(tokens(look));
      assertThat(tokens).as(look).containsKeys(ink, ground);
      assertThat(ratio(tokens.get(ink), tokens.get(ground)))
          .as("%s: %s on %s", look, ink, ground)
          .isGreaterThanOrEqualTo(least);
    }
  }
}
