package unimotus.core.dryrun;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import unimotus.core.Lines;
import unimotus.core.Links;
import unimotus.core.link.CommonLink;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.path.SignalPath;
import unimotus.core.way.PathFactory;

/**
 * Every event that is offered can be read and played, on drives and controllers of several kinds.
 */
class DryEventsTest {

  private static Project line(String controller, String drive) {
    return Lines.with(
        Lines.bare(controller, drive),
        CommonLink.TWO_WIRE,
        CommonLink.FAULT_RELAY,
        Links.ANALOG_REFERENCE,
        CommonLink.MOTOR_TEMPERATURE);
  }

  @ParameterizedTest
  @CsvSource({
    "controller-modular, terminal-drive-4kw",
    "controller-modular, safety-drive-7k5",
    "controller-compact-sinking, compact-drive-2kw",
    "controller-compact-relay, pump-drive-5k5"
  })
  void whatIsOfferedCanBePlayed(String controller, String drive) {
    AxisAssembly axis = Lines.axis(line(controller, drive));
    SignalPath path = PathFactory.of(axis);
    List<DryEvents.Group> groups = DryEvents.of(axis, path);
    assertThat(groups)
        .extracting(DryEvents.Group::label)
        .contains("Outputs", "Buttons and contacts", "A wire opens", "A terminal is shorted");
    StringBuilder all = new StringBuilder();
    int at = 0;
    for (DryEvents.Group group : groups) {
      for (DryEvents.Choice choice : group.choices()) {
        DrySchedule one = DryScheduleReader.read(axis, "one", "2 " + choice.event());
        assertThat(one.events()).as(choice.words()).hasSize(1);
        all.append(at++).append(' ').append(choice.event()).append(';');
      }
    }
    DrySchedule schedule = DryScheduleReader.read(axis, "all", all + " 60 end");
    assertThat(schedule.events()).hasSize(at);
    assertThat(DryRunner.run(axis, path, List.of(), schedule, () -> false).trace().size())
        .isGreaterThanOrEqualTo(60_000);
  }

  /** The output that runs the drive says so; one that nothing is wired to is not offered. */
  @ParameterizedTest
  @CsvSource("controller-modular, terminal-drive-4kw")
  void anOutputSaysWhatItDoes(String controller, String drive) {
    AxisAssembly axis = Lines.axis(line(controller, drive));
    DryEvents.Group outputs =
        DryEvents.of(axis, PathFactory.of(axis)).stream()
            .filter(g -> g.label().equals("Outputs"))
            .findFirst()
            .orElseThrow();
    assertThat(outputs.choices())
        .extracting(DryEvents.Choice::words)
        .contains("DO0 on (run forward)")
        .noneMatch(w -> w.startsWith("DO5"));
  }

  /**
   * Behind the last event; what was typed stays, an end among it, and so does what is unreadable.
   */
  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "''|0 power off",
        "0 number 25|0 number 25; 2 power off",
        "0 number 25; 60 end|0 number 25; 2 power off; 60 end",
        "0 number 25; 5 end|0 number 25; 2 power off; 5 end",
        "0 number 25; 9 on a:b; 10 end|0 number 25; 9 on a:b; 11 power off; 21 end",
        "0,5 number 25|0,5 number 25; 2.5 power off",
        "1.2.3 nonsense ; . end|1.2.3 nonsense; . end; 0 power off"
      })
  void anEventIsPutBehindTheOthers(String before, String after) {
    assertThat(DryEvents.appended(before, "power off")).isEqualTo(after);
  }
}
