package unimotus.core.machine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Fixtures;

class ModelTest {

  @Test
  void anIdIsMadeFromANameAndStaysFree() {
    assertThat(Ids.from("Rinse drum", List.of())).isEqualTo("rinse-drum");
    assertThat(Ids.from("Rinse drum", List.of("rinse-drum"))).isEqualTo("rinse-drum-2");
    assertThat(Ids.from("???", List.of())).isEqualTo("item");
    assertThatThrownBy(() -> Ids.check("axis", "Rinse Drum")).hasMessageContaining("'Rinse Drum'");
  }

  @Test
  void idsAreUnique() {
    Project project = Fixtures.project();
    Axis axis = project.axes().get(0);
    assertThatThrownBy(
            () ->
                new Project(
                    "x",
                    project.controllers(),
                    project.drives(),
                    project.parts(),
                    project.motors(),
                    List.of(axis, axis),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of(),
                    List.of()))
        .hasMessageContaining("axis id 'belt' is used twice");
  }

  @Test
  void aWireHasTwoEnds() {
    assertThatThrownBy(() -> Fixtures.wire("w9", "plc:DO0", "plc:DO0"))
        .hasMessageContaining("both ends");
  }

  @Test
  void aReadingIsANumberOrAWord() {
    assertThatThrownBy(
            () -> new Reading("belt", "k", 1.0, "word", "", "2026-01-31T14:05:00Z", "", Map.of()))
        .hasMessageContaining("either");
    assertThatThrownBy(
            () -> new Reading("belt", "k", null, null, "", "2026-01-31T14:05:00Z", "", Map.of()))
        .hasMessageContaining("either");
    assertThatThrownBy(
            () ->
                new Reading(
                    "belt", "k", Double.NaN, null, "", "2026-01-31T14:05:00Z", "", Map.of()))
        .hasMessageContaining("finite");
  }

  @Test
  void aReferenceNeedsASpan() {
    assertThatThrownBy(() -> new Reference("AO0", "AI1", 5, 5, 0, 50, 27648, 1))
        .hasMessageContaining("must differ");
    assertThatThrownBy(() -> new Reference("AO0", "AI1", 0, 5, 50, 50, 27648, 1))
        .hasMessageContaining("must rise");
    assertThatThrownBy(() -> new Reference("AO0", "AI1", 0, 5, 0, 50, 7, 1))
        .hasMessageContaining("7 counts");
    assertThatThrownBy(() -> new Reference("AO0", "AI1", 0, 5, 0, 50, 27648, 0))
        .hasMessageContaining("wanted step");
  }

  @Test
  void mechanicsAndLoadRefuseWhatCannotBe() {
    assertThatThrownBy(() -> new Mechanics.Drum(0, 0.5))
        .hasMessageContaining("gear ratio must be positive");
    assertThatThrownBy(() -> new Mechanics.Screw(1, -0.1)).hasMessageContaining("screw lead");
    assertThatThrownBy(() -> new Mechanics.Counting(1, 2, " ")).hasMessageContaining("name");
    assertThatThrownBy(() -> new Load(-1, 0, 0, 0, 1))
        .hasMessageContaining("inertia must not be negative");
    assertThatThrownBy(() -> new Load(1, 0, 0, 0, 0)).hasMessageContaining("efficiency");
  }

  @Test
  void removingAnAxisTakesItsDriveMotorWiresAndReadingsButNotTheSharedController() {
    Project project =
        Fixtures.project()
            .with(
                new Reading(
                    "belt",
                    "ref50.frequency",
                    25.0,
                    null,
                    "",
                    "2026-01-31T14:05:00Z",
                    "",
                    Map.of()));
    Project left = project.withoutAxis("belt");
    assertThat(left.axes()).isEmpty();
    assertThat(left.drives()).isEmpty();
    assertThat(left.motors()).isEmpty();
    assertThat(left.wires()).isEmpty();
    assertThat(left.readings()).isEmpty();
    assertThat(left.controllers()).hasSize(1);
  }

  @Test
  void puttingAnAxisKeepsItsPlace() {
    Project project = Fixtures.project();
    Project renamed = project.with(project.axes().get(0).withName("Long belt"));
    assertThat(renamed.axes()).hasSize(1);
    assertThat(renamed.axes().get(0).name()).isEqualTo("Long belt");
    assertThat(project.axes().get(0).name()).isEqualTo("Belt");
  }

  @Test
  void anAssemblySaysWhatIsMissing() {
    Project project = Fixtures.project();
    Axis bare = project.axes().get(0).withDevices("plc", null, "nobody");
    assertThat(AxisAssembly.of(project, Fixtures.sheets(), bare)).isEmpty();
    assertThat(AxisAssembly.missing(project, Fixtures.sheets(), bare))
        .containsExactly("a drive", "a motor");
    Project odd = project.with(new Drive("drive", "Drive", "unheard-of", Map.of(), Map.of()));
    assertThat(AxisAssembly.missing(odd, Fixtures.sheets(), odd.axes().get(0)))
        .containsExactly("the drive sheet 'unheard-of'");
  }

  /** ISO 8601; a month has its own days, and February a 29th in leap years only. */
  @ParameterizedTest
  @CsvSource({
    "2026-01-31T14:05:00Z, true",
    "2024-02-29T23:59:59.5Z, true",
    "2026-02-29T00:00:00Z, false",
    "2026-04-31T00:00:00Z, false",
    "2026-13-01T00:00:00Z, false",
    "2026-01-00T00:00:00Z, false",
    "2026-01-31 14:05, false",
    "yesterday, false",
    "'', false"
  })
  void aReadingHasATime(String at, boolean isTime) {
    if (isTime) {
      assertThat(new Reading("belt", "k", 1.0, null, "", at, "", Map.of()).takenAt()).isEqualTo(at);
    } else {
      assertThatThrownBy(() -> new Reading("belt", "k", 1.0, null, "", at, "", Map.of()))
          .hasMessageContaining("is no time")
          .hasMessageContaining("reading k of axis belt");
    }
  }
}
