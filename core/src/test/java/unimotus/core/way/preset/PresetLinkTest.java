package unimotus.core.way.preset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumSet;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Preset;
import unimotus.core.machine.Project;
import unimotus.core.path.Carrier;
import unimotus.core.path.ReferenceLink;
import unimotus.core.path.SeenInputs;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Stage;
import unimotus.core.path.Station;
import unimotus.core.sheet.Meaning;

/** A link of presets by itself: when it is in force, what it wants, and its words. */
class PresetLinkTest {
  private static SeenInputs seen(Meaning... on) {
    return seen(Set.of(on));
  }

  private static SeenInputs seen(Set<Meaning> on) {
    return new SeenInputs() {
      @Override
      public double number() {
        return 0;
      }

      @Override
      public OptionalDouble received(String input) {
        return OptionalDouble.empty();
      }

      @Override
      public boolean isOn(Meaning meaning) {
        return on.contains(meaning);
      }
    };
  }

  /** 20, 35 and 50 Hz on two inputs that override the reference. */
  private static SignalPath path() {
    Project project =
        Presets.axis(
            Presets.OVERRIDING,
            2,
            new Preset(1, "soak", 10),
            new Preset(2, "dry", 17.5),
            new Preset(3, "purge", 25));
    return Presets.review(Presets.entered(project, 20, 35, 50)).path();
  }

  @Test
  void itIsInForceWhileAnInputIsClosed() {
    ReferenceLink link = path().link();
    assertThat(link.holds(seen())).isFalse();
    assertThat(link.holds(seen(Meaning.RUN_FORWARD))).isFalse();
    assertThat(link.holds(seen(Meaning.PRESET_1))).isTrue();
    assertThat(link.holds(seen(Meaning.PRESET_2))).isTrue();
  }

  @Test
  void whatIsWantedFollowsTheInputsAlone() {
    SignalPath path = path();
    SpeedLink link = path.speedFor("a test");
    for (int combination = 1; combination < 4; combination++) {
      Set<Meaning> on = EnumSet.noneOf(Meaning.class);
      if ((combination & 1) != 0) {
        on.add(Meaning.PRESET_1);
      }
      if ((combination & 2) != 0) {
        on.add(Meaning.PRESET_2);
      }
      double wanted = link.wantedHertz(path, seen(on));
      assertThat(wanted).as("combination %d", combination).isPositive();
      Stage drive = link.stages().get(1);
      assertThat(wanted).isEqualTo(drive.forward(combination));
    }
  }

  @Test
  void itsWordsAreThoseOfInputs() {
    ReferenceLink link = path().link();
    assertThat(link.label(Station.COUNTS)).isEqualTo("Combination");
    assertThat(link.label(Station.FREQUENCY)).isEqualTo(Station.FREQUENCY.label());
    assertThat(link.carrier(Station.COUNTS)).isEqualTo(Carrier.CONTACTS);
    assertThat(link.carrier(Station.PERCENT)).isEqualTo(Carrier.WITHIN);
    assertThat(link.label()).contains("preset");
    assertThat(((PresetLink) link).readWord()).isEqualTo("Combination");
  }

  @Test
  void aDriveThatStandsStandsInEveryCombination() {
    ReferenceLink standing = path().speedFor("a test").standingAt(7);
    Stage drive = standing.stages().get(1);
    for (int combination = 1; combination < 4; combination++) {
      assertThat(drive.forward(combination)).isCloseTo(7, within(1e-9));
    }
  }

  @Test
  void theProgramChoosesACombinationAndSaysSo() {
    Stage program = path().link().stages().get(0);
    assertThat(program.from()).isEqualTo(Station.PERCENT);
    assertThat(program.to()).isEqualTo(Station.COUNTS);
    assertThat(program.step()).isEqualTo(1);
    assertThat(program.high()).isGreaterThan(program.low());
    assertThat(program.origin()).isNotBlank();
    double percent = program.inverse(2);
    assertThat(program.forward(percent)).isEqualTo(2);
  }
}
