package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.core.move.MoveStep;
import unimotus.core.scaling.AxisScaling;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.LoopGains;
import unimotus.core.servo.TraceOverlay;
import unimotus.workbench.Demo;
import unimotus.workbench.MotionEdits;

/** Moves run on the simulated drive and laid over the prediction of the loops. */
class ServoTrialTest {
  private static TraceOverlay laid(ServoAxis axis, ServoTrial trial) {
    return TraceOverlay.of(
        trial.motion(), axis.run(axis.gains(), 0.3), axis.radiansPerUnit(), axis.plan().seconds());
  }

  private static ServoAxis changed(String id, unimotus.workbench.Edit edit) {
    return ServoRig.axis(edit.change().apply(Demo.project()), id);
  }

  private static ServoAxis sending(AxisScaling copy) {
    return changed("slicer-x", MotionEdits.scaling("slicer-x", Holder.PROGRAM, copy));
  }

  @Test
  void theDemosCutsAreAsPredicted() {
    for (String id : List.of("slicer-x", "slicer-z")) {
      ServoAxis axis = ServoRig.axis(Demo.project(), id);
      ServoTrial trial = ServoTrial.run(axis, 3);
      TraceOverlay overlay = laid(axis, trial);
      assertThat(trial.fault()).isZero();
      assertThat(overlay.repeats()).as(id).hasSize(3);
      assertThat(overlay.holds()).as("%s: %s", id, overlay.repeats()).isTrue();
      assertThat(overlay.spread()).isLessThan(0.01);
    }
  }

  /** 30 mm where the machine has 60: half the counts for a millimetre make twice... or half. */
  @Test
  void aProgramThatCountsOtherwiseGoesAnotherWay() {
    AxisScaling copy = ServoRig.axis(Demo.project(), "slicer-x").machine();
    ServoAxis doubled = sending(copy.withFeed(new BigDecimal(120)));
    TraceOverlay half = laid(doubled, ServoTrial.run(doubled, 1));
    assertThat(half.repeats().get(0).ratio()).isCloseTo(0.5, within(0.01));
    assertThat(half.holds()).isFalse();
    assertThat(half.seen(half.repeats().get(0))).contains("0.5 times the way");
  }

  /** At Kv 3 /s it lags by v/Kv = 600/3 = 200 mm, more than a turn of 60 mm (control theory). */
  @Test
  void aSoftLoopFaultsOnFollowingError() {
    ServoAxis soft =
        changed("slicer-x", MotionEdits.gains("slicer-x", new LoopGains(3, 0.15, 0.05, 0)));
    ServoTrial trial = ServoTrial.run(soft, 1);
    assertThat(trial.fault()).isEqualTo(0x8611);
    assertThat(trial.faultText()).contains("following error too large (0x8611)");
    assertThat(trial.faultSeconds()).isBetween(0.05, 1.0);
    assertThat(laid(soft, trial).holds()).isFalse();
  }

  @Test
  void whatCannotBeRunIsRefused() {
    Project demo = Demo.project();
    ServoAxis axis = ServoRig.axis(demo, "slicer-x");
    assertThatThrownBy(() -> ServoTrial.run(axis, 0)).hasMessageContaining("1 to 100 times, not 0");
    ServoAxis unread = changed("slicer-x", MotionEdits.unread("slicer-x", Holder.PROGRAM));
    assertThatThrownBy(() -> ServoTrial.run(unread, 1)).hasMessageContaining("not read");
    ServoAxis away =
        changed("slicer-x", MotionEdits.addStep("slicer-x", new MoveStep.Absolute(250)));
    assertThatThrownBy(() -> ServoTrial.run(away, 2)).hasMessageContaining("run once only");
    ServoAxis reversed =
        changed(
            "slicer-x",
            MotionEdits.scaling("slicer-x", Holder.DRIVE, axis.machine().withReversed(true)));
    assertThatThrownBy(() -> ServoTrial.run(reversed, 1)).hasMessageContaining("backwards");
  }
}
