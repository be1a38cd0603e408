package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.link.StopRequest;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.Wire;
import unimotus.core.quantity.QuantityFormat;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.EntryProcedure;
import unimotus.core.sheet.SettingRole;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.StatusText;
import unimotus.core.stops.JudgedStop;
import unimotus.core.stops.Stops;
import unimotus.core.way.Designs;

/**
 * The proof lists of four stops, row by row: what is expected follows from what a stop is for
 * (common practice; IEC 60204-1 and ISO 14118, from memory, for no start by release, reset or
 * return of power).
 */
class StopPredictionsTest {
  /** Comes to rest by friction: 0.0635 kg·m² under 1 N·m from 1500 rpm takes 10 s. */
  private static final Load HEAVY = new Load(80, 40, 0, 0, 1);

  private static final Load FRICTIONLESS = new Load(80, 0, 0, 0, 1);

  private static JudgedStop stop(String drive, StopRequest request, Load load) {
    return Stops.judged(Stops.withLoad(Stops.project(drive, request), load));
  }

  private static List<Prediction> list(JudgedStop judged) {
    List<Prediction> all = new ArrayList<>(StopPredictions.beforeMotion(List.of(judged)));
    all.addAll(StopPredictions.inMotion(List.of(judged)));
    return all;
  }

  private static List<String> rows(JudgedStop judged) {
    return list(judged).stream()
        .map(
            p ->
                String.join(
                    " | ",
                    p.key(),
                    p.expectation().text(QuantityFormat.PLAIN),
                    p.where(),
                    p.instrument()))
        .toList();
  }

  private static Prediction row(JudgedStop judged, String key) {
    return list(judged).stream().filter(p -> p.key().equals(key)).findFirst().orElseThrow();
  }

  private static double amount(Prediction p) {
    return ((Expectation.Amount) p.expectation()).value();
  }

  @Test
  void aGuardOverARelay() {
    JudgedStop guard = stop(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY), HEAVY);
    assertThat(rows(guard))
        .startsWith(
            "safe.stop.jumper | removed | drive's terminals | eyes",
            "safe.stop.volts.released.1 | 23.999 ± 0.58 V | STO1 of Drive | multimeter",
            "safe.stop.volts.demanded.1 | 0 ± 1 V | STO1 of Drive | multimeter",
            "safe.stop.volts.released.2 | 23.999 ± 0.58 V | STO2 of Drive | multimeter",
            "safe.stop.volts.demanded.2 | 0 ± 1 V | STO2 of Drive | multimeter",
            "safe.stop.status.demanded | not permitted | display of Drive | eyes",
            "safe.stop.status.released | not permitted | display of Drive | eyes",
            "safe.stop.status.reset.held | not permitted | display of Drive | eyes",
            "safe.stop.status.reset | ready | display of Drive | eyes",
            "safe.stop.status.new.run | running | display of Drive | eyes",
            "safe.stop.status.power | not permitted | display of Drive | eyes",
            "safe.stop.status.channel.1 | not permitted | display of Drive | eyes",
            "safe.stop.status.channel.2 | not permitted | display of Drive | eyes")
        .hasSize(14);
    Prediction standstill = row(guard, "safe.stop.standstill");
    // Reactions of 42 ms, then t = J·ω/T with 0.0135 + 80/40² kg·m² and 40/40 N·m.
    double coast = (0.0135 + 0.05) * 1500 * 2 * Math.PI / 60;
    assertThat(amount(standstill)).isCloseTo(0.042 + coast, within(0.05));
    assertThat(standstill.instrument()).isEqualTo("stop watch");
    assertThat(standstill.dependsOn())
        .isEqualTo(EnumSet.of(Part.WIRES, Part.DRIVE, Part.STOP, Part.MOTOR, Part.MECHANICS));
    assertThat(standstill.how()).startsWith("From maximum speed: Belt guard switch: open");
  }

  @Test
  void everyRowSaysWhatToDoAndWhy() {
    JudgedStop guard = stop(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY), HEAVY);
    assertThat(row(guard, "safe.stop.volts.released.1").how())
        .isEqualTo(
            "Stop released and reset. Red probe on STO1 of Drive, black on the 0 V of the same device. A channel that was never closed cannot be observed to open.");
    assertThat(row(guard, "safe.stop.volts.demanded.2").title())
        .isEqualTo("STO2 of Drive against its 0 V, Belt guard switch at 'open'");
    assertThat(row(guard, "safe.stop.volts.demanded.2").simple().text())
        .contains("stop circuit solved, Belt guard switch at 'open'");
    assertThat(row(guard, "safe.stop.status.reset.held").how())
        .startsWith("Press Belt reset and keep it pressed. The motor is uncoupled");
    assertThat(row(guard, "safe.stop.status.reset").how()).startsWith("Let Belt reset go.");
    assertThat(row(guard, "safe.stop.status.released").how())
        .startsWith("Belt guard switch: closed. Do not reset.");
    assertThat(row(guard, "safe.stop.status.new.run").how())
        .startsWith("Withdraw run, then: press Belt reset, let Belt reset go, command run.");
    assertThat(row(guard, "safe.stop.status.channel.1").how())
        .contains("off at S12 of Belt safety relay, power on, then: press Belt reset")
        .endsWith("One channel alone has to stop the motor. Put the wire back.");
    assertThat(list(guard)).extracting(Prediction::group).containsOnly("Stop");
  }

  /** 2.5 s of ramp in a delay of 5 s, after a hand, a relay and a drive of 42 ms together. */
  @Test
  void aSafeStopOneAsksForDelayRampAndTorqueOff() {
    JudgedStop ramped = stop(Stops.SAFETY_DRIVE, Stops.ramped(5, 2.5), HEAVY);
    assertThat(rows(ramped))
        .startsWith("safe.stop.delay | accepted | drive's display | eyes")
        .contains("safe.stop.ramp | ramping | drive's display | eyes");
    assertThat(row(ramped, "safe.stop.delay").how())
        .startsWith("Enter the delay of 5 s and read it back on the display.");
    assertThat(row(ramped, "safe.stop.ramp").title())
        .isEqualTo("drive shows its ramp until 2.56 s after the demand");
    Prediction off = row(ramped, "safe.stop.torque.off");
    assertThat(amount(off)).isCloseTo(5.042, within(1e-3));
    assertThat(((Expectation.Amount) off.expectation()).tolerance()).isCloseTo(0.804, within(1e-3));
    assertThat(off.simple().text()).contains("stop timeline");
  }

  @Test
  void withoutARelayThereIsNoResetToTry() {
    StopRequest direct =
        Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.DIRECT, StopEffect.ENABLE);
    assertThat(rows(stop(Stops.TERMINAL_DRIVE, direct, HEAVY)))
        .startsWith(
            "safe.stop.volts.released.1 | 23.998 ± 0.58 V | DI1 of Drive | multimeter",
            "safe.stop.volts.demanded.1 | 0 ± 1 V | DI1 of Drive | multimeter",
            "safe.stop.status.demanded | not permitted | display of Drive | eyes",
            "safe.stop.status.released | ready | display of Drive | eyes",
            "safe.stop.status.new.run | running | display of Drive | eyes",
            "safe.stop.status.power | ready | display of Drive | eyes",
            "safe.stop.status.channel.1 | not permitted | display of Drive | eyes")
        .hasSize(8);
  }

  /** Contactors take the mains: the display goes dark, and a tester made for the mains shows it. */
  @Test
  void contactorsTakeTheMains() {
    StopRequest cut =
        Stops.request(
            StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS);
    JudgedStop stop = stop(Stops.TERMINAL_DRIVE, cut, FRICTIONLESS);
    assertThat(rows(stop))
        .contains(
            "safe.stop.volts.demanded.2 | 0 ± 1 V | A1 of Belt contactor 2 | multimeter",
            "safe.stop.power | 0 ± 1 V | mains terminals of the drive | voltage tester made for the mains",
            "safe.stop.status.demanded | no power | display of Drive: dark | eyes",
            "safe.stop.status.reset.held | no power | display of Drive: dark | eyes",
            "safe.stop.status.reset | ready | display of Drive | eyes")
        .noneMatch(r -> r.contains("jumper"))
        // Nothing brakes it and nothing rubs: no watch is long enough.
        .noneMatch(r -> r.contains("standstill"));
    assertThat(row(stop, "safe.stop.power").how())
        .startsWith("Belt emergency stop at 'pressed'. Licensed people only: wait the discharge");
  }

  @Test
  void contactorsBehindTheDriveAreTestedAtTheMotor() {
    StopRequest cut =
        Stops.request(StopTrigger.EMERGENCY_STOP, StopLogic.RELAY_CONTACTORS, StopEffect.CONTACTORS)
            .withContactorsBehind(true);
    assertThat(row(stop(Stops.TERMINAL_DRIVE, cut, HEAVY), "safe.stop.power").where())
        .isEqualTo("motor terminals U V W");
  }

  /** A sheet that knows its drive's words shows them, and its own way to enter the delay. */
  @Test
  void theSheetsOwnWordsAreShown() {
    DriveSheet usual = Stops.SHEETS.find(DriveSheet.class, Stops.SAFETY_DRIVE).orElseThrow();
    String code = usual.setting(SettingRole.SAFE_STOP_DELAY).orElseThrow().code();
    DriveSheet told =
        Fixtures.telling(
            usual,
            usual.identity(),
            List.of(
                new StatusText("ready", "rdY", "waits for a start"),
                new StatusText("not permitted", "STO", "")),
            List.of(procedure("L01", "Nothing of it"), procedure(code, "Turn to {value}")));
    List<DeviceSheet> all = new ArrayList<>(Stops.SHEETS.all(DeviceSheet.class));
    all.removeIf(s -> s.id().equals(told.id()));
    all.add(told);
    SheetCatalogue sheets = new SheetCatalogue(all);
    Project project =
        Stops.withLoad(Stops.project(Stops.SAFETY_DRIVE, Stops.ramped(5, 2.5)), HEAVY);
    AxisAssembly axis = AxisAssembly.of(project, sheets, project.axes().get(0)).orElseThrow();
    JudgedStop judged = JudgedStop.of(axis, axis.stops().get(0));
    assertThat(row(judged, "safe.stop.status.reset").where())
        .isEqualTo("display of Drive: 'rdY, waits for a start'");
    assertThat(row(judged, "safe.stop.status.demanded").where())
        .isEqualTo("display of Drive: 'STO'");
    assertThat(row(judged, "safe.stop.delay").how())
        .startsWith("1. Turn to 5 s. The display shows L.");
  }

  private static EntryProcedure procedure(String code, String step) {
    return new EntryProcedure(code, List.of(), List.of(step), "L", 0, "", List.of());
  }

  /** A wire across the button: nothing is foretold of a stop that does not stop. */
  @Test
  void aStopThatDoesNotStopHasNoList() {
    Project project =
        Stops.withLoad(
            Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY)), HEAVY);
    Project bridged =
        project
            .with(new Wire("x1", Lines.ref("drive:P24"), Lines.ref("drive:STO1")))
            .with(new Wire("x2", Lines.ref("drive:P24"), Lines.ref("drive:STO2")));
    JudgedStop judged = Stops.judged(bridged);
    assertThat(list(judged)).isEmpty();
    AxisProof proof = new AxisProof(List.of()).barredBy(List.of(judged));
    assertThat(proof.barred()).singleElement().asString().startsWith("Stop: ");
    assertThat(
            new AxisProof(List.of())
                .barredBy(
                    List.of(stop(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY), HEAVY)))
                .barred())
        .isEmpty();
  }

  /** The sheet that is taken to the machine: numbered, with blanks where nothing was seen. */
  @Test
  void theListIsPrintedWithBlanks() {
    JudgedStop guard = stop(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY), HEAVY);
    AxisAssembly axis =
        Lines.axis(Stops.project(Stops.TERMINAL_DRIVE, Stops.guard(StopLogic.SAFETY_RELAY)));
    DesignDigest now = Designs.digest(axis);
    List<Prediction> predictions = list(guard);
    Reading seen =
        new Reading(
            "belt",
            "safe.stop.volts.released.1",
            23.7,
            null,
            "",
            "2026-01-01T00:00:00Z",
            "",
            now.asBasis());
    Reading other =
        new Reading(
            "belt", "ref50.frequency", 25.0, null, "", "2026-01-01T00:00:00Z", "", now.asBasis());
    AxisProof proof = Prover.judge(predictions, List.of(seen, other), now);
    assertThat(proof.ofStops().verdicts()).hasSize(14);
    assertThat(proof.ofStops().unasked()).isEmpty();
    ProofList sheet =
        ProofList.of("Line", "Belt", proof, List.of("Due again in a year."), QuantityFormat.PLAIN);
    assertThat(sheet.rows()).hasSize(14);
    assertThat(sheet.rows().get(0).reading()).isEmpty();
    assertThat(sheet.text())
        .startsWith("Proof of the stops: Line, Belt")
        .contains("! Lock and tag out before touching wires.")
        .contains(
            "2  Stop: STO1 of Drive against its 0 V, stop released and reset\n",
            "   expected 23.999 ± 0.58 V   seen 23.7 V   agrees",
            "   expected removed   seen __________   not measured",
            "14  Stop: time from the demand to standstill")
        .endsWith("Due again in a year.\n");
  }
}
