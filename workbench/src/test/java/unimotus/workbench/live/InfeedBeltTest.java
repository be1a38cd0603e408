package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Clock;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.detective.AxisCause;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.Station;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.proof.Predictor;
import unimotus.core.proof.Verdict;
import unimotus.core.review.AxisReview;
import unimotus.core.review.LineReview;
import unimotus.core.value.ValueRole;
import unimotus.core.way.Designs;
import unimotus.core.way.register.RegisterCause;
import unimotus.devices.modbus.Tap;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.Evidence;

/** The axis of the demo that has no analog reference: proved over its bus, and found out. */
class InfeedBeltTest {
  /** Faster than life, yet messages come well within the two seconds of its time-out. */
  private static final int FASTER = 5;

  private final Project project = Demo.project();
  private final FieldbusLink bus = project.record("belt-drive").fieldbus();
  private StandIns standIns;

  @BeforeEach
  void start() throws IOException {
    standIns =
        StandIns.start(
            project,
            SheetLibrary.catalogue(),
            StandIns.tcp(0),
            DriveProfiles.CIA_402_VELOCITY,
            () -> FASTER * System.nanoTime());
  }

  @AfterEach
  void stop() throws IOException {
    standIns.close();
  }

  private LiveLink link(FieldbusLink known) {
    Target target = new Target(standIns.server().route(), known.unit());
    return new LiveLink(
        RegisterConnection.to(target, known.map(), Tap.NONE),
        known.wordProfile(),
        LiveLink.Times.of(Clock.systemUTC()),
        ReferenceLimit.NONE);
  }

  private static Evidence evidence(Project of) {
    AxisReview review =
        LineReview.of(of, SheetLibrary.catalogue()).axis("infeed-belt").orElseThrow();
    return Evidence.of(of, review);
  }

  /** Runs at a reference in percent and waits until the drive stands still at it. */
  private static Sample runAt(LiveLink link, double percent) throws Exception {
    link.reference(percent);
    link.want(Intent.START_FORWARD);
    Sample last = link.read();
    for (int i = 0; i < 200; i++) {
      Thread.sleep(30);
      Sample next = link.read();
      double before = last.value(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
      double now = next.value(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
      last = next;
      if (now > 0 && Math.abs(now - before) < 0.001) {
        return next;
      }
    }
    throw new AssertionError("never steady: " + last);
  }

  /** Half of 50 Hz with six poles: 500 rpm of the field, common practice. */
  @Test
  void everyReadingAgreesWhereTheMapIsRight() throws Exception {
    Project proved = project;
    try (LiveLink link = link(bus)) {
      link.arm("A. Tester");
      for (int percent : List.of(25, 50, 100)) {
        Sample sample = runAt(link, percent);
        List<Reading> taken =
            new BusReadings(evidence(project))
                .of(sample, sample, link.where(), "A. Tester", Clock.systemUTC());
        assertThat(taken)
            .extracting(Reading::prediction)
            .containsExactly(
                Predictor.key(percent, Station.COUNTS),
                Predictor.key(percent, Station.FREQUENCY),
                Predictor.key(percent, Station.SHAFT));
        for (Reading reading : taken) {
          proved = proved.with(reading);
        }
        if (percent == 50) {
          assertThat(taken.get(0).amount()).isEqualTo(500);
          assertThat(taken.get(1).amount()).isCloseTo(25, within(0.01));
          assertThat(taken.get(2).amount()).isBetween(490.0, 500.0);
        }
      }
      link.handBack();
    }
    assertThat(evidence(proved).proof().verdicts().stream().filter(v -> v.reading() != null))
        .hasSize(9)
        .allMatch(v -> v.outcome() == Verdict.Outcome.AGREES);
    assertThat(evidence(proved).diagnosis().suspicions().get(0).cause())
        .isEqualTo(AxisCause.AS_DESIGNED);
  }

  /**
   * The manual is misread: one step taken for a percent where it is a tenth. What is written for 50
   * % is then 5 %, and the detective says whose scale is off.
   */
  @Test
  void aMisreadScaleIsFoundFromWhatTheDriveDoes() throws Exception {
    FieldbusLink misread =
        bus.withRegisters(
            bus.registers().stream()
                .map(e -> e.role() == ValueRole.REFERENCE ? e.withScale(1) : e)
                .toList());
    Project wrong = project.with(project.record("belt-drive").withFieldbus(misread));
    Evidence designed = evidence(wrong);
    Project read = wrong;
    try (LiveLink link = link(bus)) {
      link.arm("A. Tester");
      RegisterEntry real = bus.map().entry(ValueRole.REFERENCE).orElseThrow();
      for (int percent : List.of(0, 50)) {
        double number = designed.path().scale().inverse(percent);
        double raw = designed.path().value(Station.COUNTS, number);
        double shown =
            percent == 0
                ? 0
                : runAt(link, raw * real.scale()).value(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
        read = read.with(reading(designed, percent, Station.COUNTS, raw));
        read = read.with(reading(designed, percent, Station.FREQUENCY, shown));
      }
      link.handBack();
    }
    assertThat(evidence(read).diagnosis().suspicions().get(0).cause())
        .isEqualTo(RegisterCause.REGISTER_SCALE);
  }

  private static Reading reading(Evidence on, int percent, Station station, double amount) {
    return new Reading(
        "infeed-belt",
        Predictor.key(percent, station),
        amount,
        null,
        "bus",
        "2026-01-31T14:05:00Z",
        "A. Tester",
        Designs.digest(on.axis()).asBasis());
  }
}
