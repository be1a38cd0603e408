package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.machine.AxisAssembly;
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
  private long nanos;
  private StationStandIns ring;

  @BeforeEach
  void start() throws Exception {
    ring = start(Demo.project());
  }

  private StationStandIns start(Project project) throws Exception {
    return StationStandIns.start(
        project, SheetLibrary.catalogue(), StationStandIns.udp(0), () -> nanos);
  }

  @AfterEach
  void stop() throws Exception {
    ring.close();
  }

  private static ServoDevice servo(StationStandIns ring) {
    return (ServoDevice) ring.stations().get(1).station().device();
  }

  private static void put(ServoDevice servo, int index, long value, int size) throws Aborted {
    byte[] bytes = new byte[size];
    for (int i = 0; i < size; i++) {
      bytes[i] = (byte) (value >> 8 * i);
    }
    servo.objects().write(index, 0, bytes);
  }

  private void enable(ServoDevice servo, int base) throws Aborted {
    for (int word : new int[] {0x06, 0x07, 0x0F}) {
      put(servo, 0x6040 + base, word, 2);
      nanos += 2_000_000;
    }
    // The brake of the vertical axis opens in 60 ms.
    nanos += 100_000_000;
  }

  private static ServoAxis axis(Project project, String id) {
    return ServoAxis.of(
            AxisAssembly.of(project, SheetLibrary.catalogue(), project.axis(id).orElseThrow())
                .orElseThrow())
        .orElseThrow();
  }

  /** Runs the planned moves in cycles of 1 ms and gives the positions, in the travel unit. */
  private List<Double> run(ServoDevice servo, int at, ServoAxis axis, double countsPerUnit)
      throws Aborted {
    int base = 0x800 * at;
    put(servo, 0x607A + base, Math.round(axis.plan().from() * countsPerUnit), 4);
    enable(servo, base);
    List<Double> positions = new ArrayList<>();
    double real = axis.machine().signedCountsPerUnit();
    double end = axis.plan().seconds() + 0.3;
    for (int k = 0; k * 0.001 < end; k++) {
      long target = Math.round(axis.plan().at(k * 0.001).position() * countsPerUnit);
      put(servo, 0x607A + base, target, 4);
      servo.outputsCame();
      nanos += 1_000_000;
      positions.add(servo.axes().get(at).position() / real);
    }
    return positions;
  }

  /** 300 mm and back with 500 ms dwell, three times; the trace lies on the predicted one. */
  @Test
  void theCutRunsAsPredicted() throws Exception {
    for (String id : List.of("slicer-x", "slicer-z")) {
      ServoAxis axis = axis(Demo.project(), id);
      int at = axis.design().driveAxis() - 1;
      List<Double> seen = run(servo(ring), at, axis, axis.machine().signedCountsPerUnit());
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
      assertThat(servo(ring).axes().get(at).fault()).isZero();
    }
    assertThat(ring.stations().get(1).axis()).isEqualTo("Slicer X, Slicer Z");
  }

  /** A motion axis that counts 360 for a turn of 60 mm goes a sixth of the way. */
  @Test
  void aWrongCopyGoesWrongByItsRatio() throws Exception {
    Project demo = Demo.project();
    ServoAxis axis = axis(demo, "slicer-x");
    Project wrong =
        MotionEdits.scaling(
                "slicer-x",
                Holder.PROGRAM,
                axis.design().programScaling().withFeed(new java.math.BigDecimal("360")))
            .change()
            .apply(demo);
    ServoAxis spoilt = axis(wrong, "slicer-x");
    double counts = spoilt.copies().of(Holder.PROGRAM).orElseThrow().signedCountsPerUnit();
    List<Double> seen = run(servo(ring), 0, axis, counts);
    double farthest = seen.stream().mapToDouble(p -> p).max().orElseThrow();
    assertThat(farthest).isCloseTo(300 / 6.0, within(0.1));
    assertThat(spoilt.copies().againstMachine(Holder.PROGRAM).orElseThrow().ratio().doubleValue())
        .isCloseTo(1 / 6.0, within(1e-12));
  }

  /** Outputs that do not come are a fault of the axes that ran; modes and methods are refused. */
  @Test
  void lostOutputsFaultWhatRan() throws Exception {
    ServoDevice servo = servo(ring);
    enable(servo, 0);
    servo.outputsLost();
    assertThat(servo.fault()).isEqualTo(0x7500);
    assertThat(servo.axes().get(1).fault()).isZero();
    servo.release();
    assertThatThrownBy(() -> put(servo, 0x6060, 4, 1)).isInstanceOf(Aborted.class);
    assertThatThrownBy(() -> put(servo, 0x6098, 15, 1)).isInstanceOf(Aborted.class);
    put(servo, 0x6098, 34, 1);
    assertThat(servo.objects().read(0x6098, 0)).containsExactly(34);
    put(servo, 0x6060, 0, 1);
    assertThat(servo.objects().read(0x6061, 0)).containsExactly(8);
  }

  /** Only one of two axes on the drive: the second of the drive is not there, so none runs. */
  @Test
  void anIncompleteDriveHasNoMotors() throws Exception {
    Project half =
        Demo.project()
            .with(Demo.project().axis("slicer-x").orElseThrow().with().motion(null).build());
    try (StationStandIns other = start(half)) {
      assertThat(other.stations().get(1).axis()).isEmpty();
      assertThat(other.stations().get(1).still()).contains("Slicer X", "not entered yet");
    }
    Project twice =
        MotionEdits.change("slicer-z", "axis", d -> d.withDriveAxis(1))
            .change()
            .apply(Demo.project());
    try (StationStandIns other = start(twice)) {
      assertThat(other.stations().get(1).still()).contains("each once");
    }
    assertThat(LineReview.of(twice, SheetLibrary.catalogue()).findings())
        .extracting(f -> f.seen())
        .contains("axis 1 of slicer-drive-module is used by Slicer Z as well");
    Project back =
        MotionEdits.change(
                "slicer-z", "turn", d -> d.withDriveScaling(d.driveScaling().withReversed(true)))
            .change()
            .apply(Demo.project());
    try (StationStandIns other = start(back)) {
      assertThat(other.stations().get(1).still()).contains("Slicer Z counts backwards");
    }
  }
}
