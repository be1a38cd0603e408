package unimotus.workbench;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.Project;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopFunction;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.formats.sheet.SheetLibrary;

/** Only stops that can be built are offered, and every one that is offered can be built. */
class StopOffersTest {
  private static final SheetCatalogue SHEETS = SheetLibrary.catalogue();

  private static Project unstopped() {
    Project demo = Demo.project();
    for (StopFunction stop : demo.stops()) {
      demo = StopEdits.remove(SHEETS, stop).change().apply(demo);
    }
    return demo;
  }

  private static StopRequest wanted(String axis, StopLogic logic) {
    return StopRequest.of(axis, "stop", StopTrigger.EMERGENCY_STOP, logic, StopEffect.STO)
        .withTimes(6, 5);
  }

  /** The compact drive of the fan has no safe torque off (its sheet); the drum's has. */
  @Test
  void theDriveDecides() {
    Project project = unstopped();
    StopOffers drum = StopOffers.of(project, SHEETS, wanted("rinse-drum", StopLogic.SAFETY_RELAY));
    assertThat(drum.effects()).contains(StopEffect.STO, StopEffect.SS1_T, StopEffect.CONTACTORS);
    assertThat(drum.leftOut().get(StopEffect.RUN_INPUTS)).contains("relay chain");
    StopOffers pump =
        StopOffers.of(project, SHEETS, wanted("header-pump", StopLogic.RELAY_CONTACTORS));
    assertThat(pump.effects()).containsExactly(StopEffect.CONTACTORS);
    assertThat(pump.leftOut().get(StopEffect.STO)).contains("stops by contactors");
  }

  @Test
  void aStopThatIsThereAlreadyIsNamed() {
    StopOffers drum =
        StopOffers.of(Demo.project(), SHEETS, wanted("rinse-drum", StopLogic.SAFETY_RELAY));
    assertThat(drum.leftOut().get(StopEffect.STO)).contains("wired already");
  }

  /** Nothing can be built on an axis without a drive. */
  @Test
  void anAxisWithoutADriveHasNone() {
    assertThat(
            StopOffers.logics(
                Unfinished.project(), SHEETS, wanted(Unfinished.AXIS, StopLogic.DIRECT)))
        .isEmpty();
  }

  @ParameterizedTest
  @EnumSource(StopTrigger.class)
  void whatIsOfferedCanBeBuilt(StopTrigger trigger) {
    Project project = unstopped();
    int built = 0;
    for (String axis : new String[] {"rinse-drum", "header-pump", "infeed-belt", "drying-fan"}) {
      StopRequest wanted = wanted(axis, StopLogic.DIRECT).withTrigger(trigger);
      for (StopLogic logic : StopOffers.logics(project, SHEETS, wanted)) {
        StopOffers offers = StopOffers.of(project, SHEETS, wanted.withLogic(logic));
        assertThat(offers.effects().size() + offers.leftOut().size())
            .isEqualTo(StopEffect.values().length);
        for (StopEffect effect : offers.effects()) {
          Project next =
              StopEdits.build(SHEETS, wanted.withLogic(logic).withEffect(effect))
                  .change()
                  .apply(project);
          assertThat(next.stops()).hasSize(1);
          assertThat(next.stops().get(0).effect()).isEqualTo(effect);
          built++;
        }
      }
    }
    assertThat(built).isGreaterThan(8);
  }
}
