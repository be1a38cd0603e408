package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.Project;
import unimotus.core.motion.ServoAxis;
import unimotus.core.review.LineReview;
import unimotus.core.scaling.Holder;
import unimotus.core.servo.ServoTrace;
import unimotus.devices.ethercat.mailbox.Aborted;
import unimotus.devices.ethercat.station.ServoDevice;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.MotionEdits;

/** The demo's slicer as a stand-in: its cut runs as it was predicted; a wrong copy runs wrong. */
class ServoStandInTest {
  private ServoRig rig;

  @BeforeEach
  void start() throws Exception {
    rig = new ServoRig(Demo.project());
  }

  @AfterEach
  void stop() throws Exception {
    rig.close();
  }

  /** 300 mm and back with 500 ms dwell, three times; the trace lies on the predicted one. */
  @Test
  void theCutRunsAsPredicted() throws Exception {
    for (String id : List.of("slicer-x", "slicer-z")) {
      ServoAxis axis = ServoRig.axis(Demo.project(), id);
      int at = axis.design().driveAxis() - 1;
      List<Double> seen = rig.run(at, axis, axis.machine().signedCountsPerUnit());
      ServoTrace predicted = axis.run(axis.gains(), 0.3);
      double fastest = axis.design().moves().limits().velocity();
      double worst = 0;
      for (int i = 0; i < predicted.size(); i++) {
        double time = i * predicted.period();
        // A set-point is reached when the next one is due: one cycle later than planned.
        int cycle = (int) Math.round(time / 0.001);
        if (cycle < seen.size()) {
          double there = predicted.motor()[i] / axis.radiansPerUnit();
          worst = Math.max(worst, Math.abs(there - seen.get(cycle)));
        }
      }
      assertThat(worst).as(id).isLessThan(fastest * 0.002);
      assertThat(rig.servo().axes().get(at).fault()).isZero();
    }
    assertThat(rig.ring().stations().get(1).axis()).isEqualTo("Slicer X, Slicer Z");
  }

  /** A motion axis that counts 360 for a turn of 60 mm goes a sixth of the way. */
  @Test
  void aWrongCopyGoesWrongByItsRatio() throws Exception {
    Project demo = Demo.project();
    ServoAxis axis = ServoRig.axis(demo, "slicer-x");
    Project wrong =
        MotionEdits.scaling(
                "slicer-x",
                Holder.PROGRAM,
                axis.design().programScaling().withFeed(new java.math.BigDecimal("360")))
            .change()
            .apply(demo);
    ServoAxis spoilt = ServoRig.axis(wrong, "slicer-x");
    double counts = spoilt.copies().of(Holder.PROGRAM).orElseThrow().signedCountsPerUnit();
    List<Double> seen = rig.run(0, axis, counts);
    double farthest = seen.stream().mapToDouble(p -> p).max().orElseThrow();
    assertThat(farthest).isCloseTo(300 / 6.0, within(0.1));
    assertThat(spoilt.copies().againstMachine(Holder.PROGRAM).orElseThrow().ratio().doubleValue())
        .isCloseTo(1 / 6.0, within(1e-12));
  }

  /** Outputs that do not come are a fault of the axes that ran; modes and methods are refused. */
  @Test
  void lostOutputsFaultWhatRan() throws Exception {
    ServoDevice servo = rig.servo();
    rig.enable(0);
    servo.outputsLost();
    assertThat(servo.fault()).isEqualTo(0x7500);
    assertThat(servo.axes().get(1).fault()).isZero();
    servo.release();
    assertThatThrownBy(() -> ServoRig.put(servo, 0x6060, 4, 1)).isInstanceOf(Aborted.class);
    assertThatThrownBy(() -> ServoRig.put(servo, 0x6098, 15, 1)).isInstanceOf(Aborted.class);
    ServoRig.put(servo, 0x6098, 34, 1);
    assertThat(servo.objects().read(0x6098, 0)).containsExactly(34);
    ServoRig.put(servo, 0x6060, 0, 1);
    assertThat(servo.objects().read(0x6061, 0)).containsExactly(8);
  }

  /** Only one of two axes on the drive: the second of the drive is not there, so none runs. */
  @Test
  void anIncompleteDriveHasNoMotors() throws Exception {
    Project half =
        Demo.project()
            .with(Demo.project().axis("slicer-x").orElseThrow().with().motion(null).build());
    try (ServoRig other = new ServoRig(half)) {
      assertThat(other.ring().stations().get(1).axis()).isEmpty();
      assertThat(other.ring().stations().get(1).still()).contains("Slicer X", "not entered yet");
    }
    Project twice =
        MotionEdits.change("slicer-z", "axis", d -> d.withDriveAxis(1))
            .change()
            .apply(Demo.project());
    try (ServoRig other = new ServoRig(twice)) {
      assertThat(other.ring().stations().get(1).still()).contains("each once");
    }
    assertThat(LineReview.of(twice, SheetLibrary.catalogue()).findings())
        .extracting(f -> f.seen())
        .contains("axis 1 of slicer-drive-module is used by Slicer Z as well");
    Project back =
        MotionEdits.change(
                "slicer-z", "turn", d -> d.withDriveScaling(d.driveScaling().withReversed(true)))
            .change()
            .apply(Demo.project());
    try (ServoRig other = new ServoRig(back)) {
      assertThat(other.ring().stations().get(1).still()).contains("Slicer Z counts backwards");
    }
  }
}
