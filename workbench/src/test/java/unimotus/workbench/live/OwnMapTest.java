package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import org.awaitility.Awaitility;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import unimotus.core.fieldbus.KnownValue;
import unimotus.core.fieldbus.MapDoubt;
import unimotus.core.fieldbus.RegisterFit;
import unimotus.core.fieldbus.RegisterSearch;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.ManualWords.ControlBit;
import unimotus.core.profile.ManualWords.ControlMeaning;
import unimotus.core.profile.ManualWords.StatusBit;
import unimotus.core.profile.ManualWords.StatusMeaning;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.proof.Verdict;
import unimotus.core.review.LineReview;
import unimotus.core.value.ValueRole;
import unimotus.core.value.ValueType;
import unimotus.devices.connection.NotDone;
import unimotus.devices.modbus.Client;
import unimotus.devices.modbus.Request;
import unimotus.devices.modbus.Response;
import unimotus.devices.modbus.Tap;
import unimotus.devices.registers.RegisterConnection;
import unimotus.devices.registers.Target;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Evidence;

/** A drive with registers and words of its own, from the manual to evidence. */
class OwnMapTest {
  /** Time runs faster for the stand-ins: the drum's ramp is long. */
  private static final int FASTER = 20;

  private static final ManualWords WORDS =
      new ManualWords(
          List.of(
              new ControlBit(4, ControlMeaning.RUN, "go"),
              new ControlBit(9, ControlMeaning.RESET, "clear"),
              new ControlBit(15, ControlMeaning.ALWAYS_SET, "link")),
          List.of(
              new StatusBit(2, StatusMeaning.RUNNING, ""),
              new StatusBit(6, StatusMeaning.FAULT, ""),
              new StatusBit(7, StatusMeaning.AT_REFERENCE, "")));

  private final Project project =
      Buses.with(f -> f.withUnit(12).withRegisters(Buses.OWN.entries()).withWords(WORDS));
  private StandIns standIns;
  private LiveLink link;

  @BeforeEach
  void start() throws IOException {
    standIns =
        StandIns.start(
            project,
            SheetLibrary.catalogue(),
            StandIns.tcp(0),
            DriveProfiles.CIA_402_VELOCITY,
            () -> FASTER * System.nanoTime());
    Target target = new Target(standIns.server().route(), 12);
    link =
        new LiveLink(
            RegisterConnection.to(target, Buses.OWN, Tap.NONE),
            WORDS.profile(),
            LiveLink.Times.of(Clock.systemUTC()),
            ReferenceLimit.NONE);
  }

  @AfterEach
  void stop() throws IOException {
    link.close();
    standIns.close();
  }

  @Test
  void theStandInHasTheRegistersAndTheUnitOfTheMap() throws NotDone {
    assertThat(standIns.units())
        .extracting(StandIns.Placed::number)
        .as("its own, then what is free")
        .containsExactly(12, 1, 2, 3);
    assertThat(link.identity()).contains("Terminal drive 4 kW");
    Sample sample = link.read();
    assertThat(sample.state().orElseThrow().name()).isEqualTo("ready");
    assertThat(sample.values()).hasSize(6);
  }

  /** 60 % of 50 Hz are 30 Hz, which the program's 50 % gives as well: the span begins at 10 Hz. */
  @Test
  void wordsFromTheManualDriveItAndReadingsBecomeEvidence() throws Exception {
    link.arm("A. Tester");
    link.reference(60);
    link.want(Intent.START_FORWARD);
    Evidence evidence = evidence(project);
    BusReadings readings = new BusReadings(evidence);
    Sample sample = link.read();
    for (int i = 0;
        i < 200 && sample.value(ValueRole.OUTPUT_FREQUENCY).orElseThrow() < 29.999;
        i++) {
      Thread.sleep(20);
      sample = link.read();
    }
    assertThat(sample.value(ValueRole.OUTPUT_FREQUENCY).orElseThrow()).isCloseTo(30, within(0.01));
    List<Reading> taken = readings.of(sample, sample, link.where(), "A. Tester", Clock.systemUTC());
    assertThat(taken)
        .extracting(Reading::prediction)
        .containsExactly("ref50.frequency", "ref50.shaft");
    assertThat(taken.get(0).instrument()).contains("127.0.0.1").contains("unit 12");
    assertThat(taken.get(1).instrument()).contains("own estimate");
    Project proved = project;
    for (Reading reading : taken) {
      proved = proved.with(reading);
    }
    assertThat(
            evidence(proved).proof().verdicts().stream()
                .filter(v -> v.prediction().key().equals("ref50.frequency"))
                .map(Verdict::outcome))
        .containsExactly(Verdict.Outcome.AGREES);

    link.want(Intent.STOP);
    Sample stopped = link.read();
    assertThatThrownBy(
            () -> readings.of(stopped, stopped, link.where(), "A. Tester", Clock.systemUTC()))
        .hasMessageContaining("does not run (ready)");
    assertThatThrownBy(() -> readings.of(stopped, stopped, link.where(), " ", Clock.systemUTC()))
        .hasMessageContaining("your name");
    link.reference(33);
    link.want(Intent.START_FORWARD);
    Sample between = link.read();
    assertThatThrownBy(
            () -> readings.of(between, between, link.where(), "A. Tester", Clock.systemUTC()))
        .hasMessageContaining("16.501 Hz is commanded")
        .hasMessageContaining("9.9976, 19.995, 30.005, 40.002, 50");
    Sample first = link.read();
    link.reference(80);
    double before = first.value(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
    Awaitility.await()
        .until(() -> link.read().value(ValueRole.OUTPUT_FREQUENCY).orElseThrow() > before + 0.5);
    Sample moving = link.read();
    assertThatThrownBy(
            () -> readings.of(first, moving, link.where(), "A. Tester", Clock.systemUTC()))
        .hasMessageContaining("still on its way");
    link.handBack();
  }

  private static Evidence evidence(Project of) {
    var review = LineReview.of(of, SheetLibrary.catalogue()).axis("rinse-drum").orElseThrow();
    return Evidence.of(of, review);
  }

  @Test
  void aFaultAndItsResetInWordsOfTheManual() throws Exception {
    link.arm("A. Tester");
    link.want(Intent.START_FORWARD);
    standIns.units().get(0).unit().drive().provoke(4);
    assertThat(link.read().state().orElseThrow().name()).isEqualTo("fault");
    assertThat(link.read().value(ValueRole.FAULT_CODE)).hasValue(4);
    link.want(Intent.RESET);
    assertThat(link.read().state().orElseThrow().name()).isEqualTo("ready");
    link.stop();
    assertThat(link.log()).anyMatch(l -> l.contains("stop: control word = 0x0000"));
  }

  /** Until the drive shows the same frequency twice in a row. */
  private static void awaitSteady(LiveLink link) {
    double[] last = {-1};
    Awaitility.await()
        .until(
            () -> {
              double now = link.read().value(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
              boolean steady = now > 0 && Math.abs(now - last[0]) < 0.001;
              last[0] = now;
              return steady;
            });
  }

  /** Two known speeds over the wire: place, type and order of a float are found, and the shift. */
  @Test
  void whatTheManualHidesIsFoundFromKnownValues() throws Exception {
    link.arm("A. Tester");
    link.want(Intent.START_FORWARD);
    List<KnownValue> known = new ArrayList<>();
    try (Client client = standIns.server().route().client(1000)) {
      for (double percent : new double[] {4, 8}) {
        link.reference(percent);
        awaitSteady(link);
        Response read = client.ask(12, new Request.Read(4, 199, 5));
        double shown = link.read().value(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
        known.add(
            KnownValue.typed(
                String.format(java.util.Locale.ROOT, "%.2f", shown),
                RegisterTable.INPUT_REGISTER,
                199,
                ((Response.Values) read).values()));
      }
    }
    List<RegisterFit> fits = RegisterSearch.fits(known);
    assertThat(fits)
        .anySatisfy(
            f -> {
              assertThat(f.address()).isEqualTo(200);
              assertThat(f.type()).isEqualTo(ValueType.FLOAT_32);
              assertThat(f.order()).isEqualTo(WordOrder.CDAB);
            });
    var shifted = Buses.OWN.shifted(1).entry(ValueRole.OUTPUT_FREQUENCY).orElseThrow();
    assertThat(RegisterSearch.offByOne(shifted, fits).orElseThrow().kind())
        .isEqualTo(MapDoubt.Kind.SHIFTED);
  }

  /** A watch reads by itself, does commands in between, and hands an armed drive back. */
  @Test
  void aWatchHandsBackWhatItLeaves() throws Exception {
    LinkedBlockingQueue<String> told = new LinkedBlockingQueue<>();
    LiveWatch.Listener listener =
        new LiveWatch.Listener() {
          @Override
          public void read(Sample sample) {
            sample.state().ifPresent(s -> told.add(s.name()));
          }

          @Override
          public void silent(String why) {
            told.add("silent " + why);
          }

          @Override
          public void done() {
            told.add("done");
          }

          @Override
          public void refused(String why) {
            told.add("refused " + why);
          }

          @Override
          public void expired() {
            told.add("expired");
          }
        };
    LiveWatch watch = new LiveWatch(link, 20, listener);
    watch.command(l -> l.want(Intent.START_FORWARD));
    await(told, "refused the link is not armed: reading is free, writing is not");
    link.arm("A. Tester");
    watch.command(l -> l.want(Intent.START_FORWARD));
    await(told, "done");
    await(told, "running");
    watch.close();
    Target target = new Target(standIns.server().route(), 12);
    try (LiveLink after =
        new LiveLink(
            RegisterConnection.to(target, Buses.OWN, Tap.NONE),
            WORDS.profile(),
            LiveLink.Times.of(Clock.systemUTC()),
            ReferenceLimit.NONE)) {
      for (int i = 0; i < 100 && link.log().stream().noneMatch(l -> l.contains("handed")); i++) {
        Thread.sleep(20);
      }
      assertThat(after.read().state().orElseThrow().name()).isEqualTo("ready");
      assertThat(link.log()).last().asString().contains("control returned and checked");
    }
    told.clear();
    watch.command(l -> l.reference(1));
    await(told, "refused the drive is left already");
  }

  private static void await(LinkedBlockingQueue<String> told, String wanted)
      throws InterruptedException {
    String last = "";
    for (int i = 0; i < 500; i++) {
      String next = told.poll(10, TimeUnit.SECONDS);
      last = String.valueOf(next);
      if (wanted.equals(next)) {
        return;
      }
    }
    throw new AssertionError("'%s' was awaited, '%s' came last".formatted(wanted, last));
  }
}
