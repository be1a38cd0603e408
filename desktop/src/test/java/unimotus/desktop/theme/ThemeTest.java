package unimotus.desktop.theme;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.css.CssParser;
import javafx.scene.Node;
import org.junit.jupiter.api.Test;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;

/** The theme that ships lacks no rule of a control the program has. */
class ThemeTest extends ApplicationTest {
  private static final Pattern MADE = Pattern.compile("(?:new|extends) ([A-Z]\\w+)\\b");

  @Override
  public void start(javafx.stage.Stage stage) {}

  @Test
  void everyControlTheProgramMakesHasItsRules() throws IOException {
    Set<String> made = new TreeSet<>();
    try (Stream<Path> sources = Files.walk(Path.of("src/main/java"))) {
      for (Path source : sources.filter(p -> p.toString().endsWith(".java")).toList()) {
        MADE.matcher(Files.readString(source))
            .results()
            .map((MatchResult m) -> m.group(1))
            .forEach(made::add);
      }
    }
    List<String> met = new ArrayList<>();
    List<String> without = new ArrayList<>();
    for (String name : made) {
      for (String style : styles(name)) {
        met.add(style);
        if (Theme.ABSENT.contains(style)) {
          without.add(name + " ." + style);
        }
      }
    }
    assertThat(met).contains("button", "text-field", "list-view", "menu-button");
    assertThat(without).isEmpty();
  }

  /**
   * The style classes a control of the toolkit is made with; none where there is no such control.
   */
  private static List<String> styles(String name) {
    try {
      Class<?> type = Class.forName("javafx.scene.control." + name);
      if (!Node.class.isAssignableFrom(type)) {
        return List.of();
      }
      return WaitForAsyncUtils.asyncFx(
              () -> List.copyOf(((Node) type.getConstructor().newInstance()).getStyleClass()))
          .get();
    } catch (ReflectiveOperationException
        | InterruptedException
        | java.util.concurrent.ExecutionException notOfTheToolkit) {
      return List.of();
    }
  }

  @Test
  void whatIsLeftOutIsLessThanWhatStands() throws IOException {
    int whole = new CssParser().parse(ThemeMaker.whole()).getRules().size();
    int lean = new CssParser().parse(ThemeMaker.lean(ThemeMaker.whole())).getRules().size();
    assertThat(whole).isEqualTo(1013);
    assertThat(lean).isLessThan(whole / 2);
    assertThat(getClass().getResource(Theme.PLACE)).isNotNull();
    assertThat(getClass().getResource(Theme.PLACE.replace(".css", ".bss"))).isNotNull();
  }

  @Test
  void aSelectorIsDroppedAndTheRestOfItsRuleStays() {
    assertThat(ThemeMaker.lean("/* x */ .button, .slider .thumb { a: b; } .spinner { c: d; }"))
        .isEqualTo(".button { a: b; }\n");
  }
}
