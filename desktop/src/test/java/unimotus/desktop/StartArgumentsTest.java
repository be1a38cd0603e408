package unimotus.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;

class StartArgumentsTest {
  @Test
  void nothingOpensAnEmptyWindowOfTheUsualSize() {
    assertThat(StartArguments.of(List.of()))
        .isEqualTo(new StartArguments(false, false, null, null, 1280, 800));
  }

  @Test
  void optionsStandInAnyOrder() {
    assertThat(StartArguments.of(List.of("--size", "1000x700", "demo", "--shots", "out")))
        .isEqualTo(new StartArguments(true, false, null, Path.of("out"), 1000, 700));
    assertThat(StartArguments.of(List.of("line.unimotus.json", "--size", "1920x1080")).file())
        .isEqualTo(Path.of("line.unimotus.json"));
  }

  @Test
  void whatCannotBeUsedIsNamed() {
    assertThatThrownBy(() -> StartArguments.of(List.of("--size", "big")))
        .hasMessage("--size needs a width and a height in pixels, as in 1000x700, not 'big'");
    assertThatThrownBy(() -> StartArguments.of(List.of("--shots")))
        .hasMessage("--shots needs a value");
    assertThatThrownBy(() -> StartArguments.of(List.of("--shot", "out")))
        .hasMessage("'--shot' is no argument of the window");
    assertThatThrownBy(() -> StartArguments.of(List.of("one", "two")))
        .hasMessage("'two' is no argument of the window");
  }

  @Test
  void aDarkWindowIsAskedFor() {
    assertThat(StartArguments.of(List.of("demo", "--dark")).dark()).isTrue();
  }
}
