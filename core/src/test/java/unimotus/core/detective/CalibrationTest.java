package unimotus.core.detective;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import unimotus.core.Fixtures;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Load;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reading;
import unimotus.core.path.SignalPath;
import unimotus.core.proof.Expectation;
import unimotus.core.proof.Prediction;
import unimotus.core.proof.Predictor;
import unimotus.core.value.ValueType;
import unimotus.core.way.PathFactory;
import unimotus.core.way.analog.AnalogCause;
import unimotus.core.way.register.RegisterCause;

/**
 * The detective against an axis that is simulated by school arithmetic and spoilt in every way the
 * handbook names, its readings blurred by six tenths of their tolerance: does the true cause lead,
 * and is a probability what it says.
 */
class CalibrationTest {
  private static final double BLUR = 0.6;
  private static final int ROUNDS = Boolean.getBoolean("campaign.full") ? 5 : 1;

  /** Mutants are looked at by every ninth case: all of them would take hours. */
  private static final int STRIDE = Boolean.getBoolean("campaign.mutation") ? 9 : 1;

  /** An axis as designed, and its twin. */
  private record Kind(String name, Project project, SimulatedAxis axis) {}

  /**
   * A fault.
   *
   * @param causes what it is; several where all readings there are cannot tell them apart
   */
  private record Fault(String name, Set<Cause> causes, Consumer<SimulatedAxis> spoil) {}

  /** A case: one or two faults on an axis. */
  private record Case(Kind kind, List<Fault> faults) {
    SimulatedAxis spoilt() {
      SimulatedAxis axis = kind.axis().copy();
      faults.forEach(f -> f.spoil().accept(axis));
      return axis;
    }

    boolean isNamedBy(Suspicion suspicion) {
      Cause second = suspicion.second();
      Set<Cause> said =
          second == null ? Set.of(suspicion.cause()) : Set.of(suspicion.cause(), second);
      return said.size() == faults.size()
          && faults.stream().allMatch(f -> f.causes().stream().anyMatch(said::contains));
    }

    @Override
    public String toString() {
      return kind.name() + ": " + faults.stream().map(Fault::name).toList();
    }
  }

  private static Project volts() {
    Project project = Fixtures.withChannel(Fixtures.project(), "AO0.range", "0-10 V");
    return Fixtures.withSetting(
        Fixtures.withDriveSelector(project, "AI1.kind", "voltage"), "P18", "0-10 V");
  }

  /** The belt's own load, felt by the motor: 60 N·m over a gear of 91.5 at 90 %. */
  private static SimulatedAxis belt() {
    SimulatedAxis axis = new SimulatedAxis();
    axis.slipRpmPerNewtonMetre = 44 / (4000 / (2 * Math.PI * 1456 / 60));
    axis.newtonMetres = 60 / (91.5 * 0.9);
    return axis;
  }

  private static List<Kind> kinds() {
    List<Kind> kinds = new ArrayList<>();
    SimulatedAxis amps = belt();
    amps.sentLow = 4;
    amps.sentHigh = 20;
    amps.readLow = 4;
    amps.readHigh = 20;
    amps.volts = false;
    kinds.add(new Kind("4-20 mA", Fixtures.project(), amps));
    kinds.add(new Kind("0-10 V", volts(), belt()));
    SimulatedAxis sixty = belt();
    sixty.programFull = 32767;
    sixty.moduleFull = 32767;
    sixty.hertzAtHigh = 60;
    sixty.most = 60;
    sixty.least = 10;
    Project faster = Fixtures.withChannel(volts(), "AO0.fs", "32767");
    faster = Fixtures.withSetting(Fixtures.withSetting(faster, "P5", 60.0), "P20", 60.0);
    faster = Fixtures.withSetting(faster, "P4", 10.0);
    faster =
        Fixtures.withReference(
            faster, new unimotus.core.machine.Reference("AO0", "AI1", 0, 30, 0, 60, 32767, 0.05));
    kinds.add(new Kind("0-10 V, 10 to 60 Hz, 32767", faster, sixty));
    double heavy = 0.8 * 4000 / (2 * Math.PI * 1456 / 60) * 91.5;
    SimulatedAxis loaded = belt();
    loaded.newtonMetres = heavy / 91.5;
    kinds.add(
        new Kind(
            "0-10 V, heavy",
            volts().with(Fixtures.axis(volts()).withLoad(new Load(20, heavy, 0, 0, 1))),
            loaded));
    kinds.add(register("register 0.01 Hz", ValueType.SIGNED_16, 0.01, "Hz", 400, 0.01, 1));
    kinds.add(register("register 0.1 %", ValueType.UNSIGNED_16, 0.1, "%", 100, 0.05, 1));
    kinds.add(register("register rpm", ValueType.SIGNED_16, 1, "rpm", 3000, 1 / 30.0, 1));
    kinds.add(register("register 32 bit", ValueType.UNSIGNED_32, 0.001, "Hz", 400, 0.001, 2));
    return kinds;
  }

  private static Kind register(
      String name,
      ValueType type,
      double scale,
      String unit,
      double most,
      double hertz,
      int words) {
    SimulatedAxis axis = belt();
    axis.register = true;
    axis.words = words;
    axis.signed = type == ValueType.SIGNED_16;
    axis.hertzPerStep = hertz;
    axis.hertzPerStepInDrive = hertz;
    return new Kind(name, Fixtures.overRegister(Fixtures.reference(type, scale, unit, most)), axis);
  }

  private static Fault fault(String name, Cause cause, Consumer<SimulatedAxis> spoil) {
    return new Fault(name, Set.of(cause), spoil);
  }

  /** What may be wrong on any axis. */
  private static List<Fault> everywhere(SimulatedAxis a) {
    List<Fault> f = new ArrayList<>();
    f.add(fault("as designed", AxisCause.AS_DESIGNED, x -> {}));
    f.add(fault("decimals 0.1", AxisCause.IMPLIED_DECIMALS, x -> x.decimals = 0.1));
    for (double limit : new double[] {40, 45, 42.5, 37}) {
      f.add(fault("clamped at " + limit, AxisCause.MAXIMUM_CLAMP, x -> x.most = limit));
    }
    for (double floor : new double[] {15, 20, 25, 18}) {
      f.add(fault("floor at " + floor, AxisCause.MINIMUM_FLOOR, x -> x.least = floor));
    }
    for (double hertz : new double[] {30, 22, 41}) {
      f.add(fault("stands at " + hertz, AxisCause.OTHER_SOURCE, x -> x.fixedHertz = hertz));
    }
    f.add(fault("6 poles", AxisCause.POLES, x -> x.poles = 6));
    f.add(fault("2 poles", AxisCause.POLES, x -> x.poles = 2));
    f.add(fault("phases exchanged", AxisCause.SIGN, x -> x.turned = true));
    for (double factor : new double[] {0.5, 1.25, 2, 1.14}) {
      f.add(fault("machine × " + factor, AxisCause.GEAR, x -> x.gear /= factor));
    }
    if (a.newtonMetres > 5) {
      f.add(fault("slip × 3", AxisCause.SLIP, x -> x.slipRpmPerNewtonMetre *= 3));
      f.add(fault("slip × 4", AxisCause.SLIP, x -> x.slipRpmPerNewtonMetre *= 4));
    }
    f.add(noRun(a, "no run", AxisCause.NOT_RUNNING, 0));
    f.add(noRun(a, "no run for want of volts", AxisCause.NOT_RUNNING, 0.3));
    f.add(noRun(a, "terminal set otherwise", AxisCause.RUN_IGNORED, 1));
    f.add(standing("no permission", AxisCause.NOT_PERMITTED, "not permitted", "not permitted"));
    f.add(standing("fault", AxisCause.DRIVE_FAULT, "fault", "fault"));
    f.add(fault("runs at rest", AxisCause.RUN_AT_REST, x -> x.closed = "running"));
    f.add(fault("jumper", AxisCause.PERMISSION_BRIDGED, x -> x.open = "ready"));
    return f;
  }

  private static Fault standing(String name, Cause cause, String closed, String run) {
    return fault(
        name,
        cause,
        x -> {
          x.fixedHertz = 0;
          x.closed = closed;
          x.run = run;
        });
  }

  /** Without a wire for it nothing tells a command that does not arrive from one not taken. */
  private static Fault noRun(SimulatedAxis a, String name, Cause cause, double share) {
    Set<Cause> causes =
        a.register ? Set.of(AxisCause.NOT_RUNNING, AxisCause.RUN_IGNORED) : Set.of(cause);
    Consumer<SimulatedAxis> spoil = standing(name, cause, "ready", "ready").spoil();
    return new Fault(name, causes, spoil.andThen(x -> x.shareOfRunVolts = share));
  }

  /** What may be wrong on volts and milliamps. */
  private static List<Fault> analog(SimulatedAxis a) {
    List<Fault> f = new ArrayList<>();
    f.add(fault("program 32000", AnalogCause.RAW_FULL_SCALE, x -> x.programFull = 32000));
    f.add(fault("program 10000", AnalogCause.RAW_FULL_SCALE, x -> x.programFull = 10000));
    f.add(
        fault(
            "module otherwise",
            AnalogCause.RAW_FULL_SCALE,
            x -> x.moduleFull = x.moduleFull == 27648 ? 32767 : 27648));
    for (double top : new double[] {45, 100, 87, 53}) {
      f.add(
          // A joint that lets nine tenths through looks the same from the controller's end.
          new Fault(
              top + " Hz at full",
              top < a.hertzAtHigh && a.readLow == 0
                  ? Set.of(AxisCause.DRIVE_SPAN, AnalogCause.JOINT)
                  : Set.of(AxisCause.DRIVE_SPAN),
              x -> {
                x.hertzAtHigh = top;
                x.most = Math.max(x.most, top);
              }));
    }
    f.add(fault("inverted", AnalogCause.INPUT_INVERTED, x -> x.inverted = true));
    f.add(fault("dead band 30", AnalogCause.DEAD_BAND, x -> x.deadBand = 30));
    f.add(fault("no signal", AnalogCause.DEAD_OUTPUT, x -> x.deadOutput = true));
    f.add(
        new Fault(
            "joint 0.85",
            a.readLow == 0
                ? Set.of(AnalogCause.JOINT, AxisCause.DRIVE_SPAN)
                : Set.of(AnalogCause.JOINT),
            x -> x.share = 0.85));
    double offset = a.volts ? 0.4 : 0.8;
    f.add(fault("offset", AnalogCause.OFFSET, x -> x.offset = offset));
    f.add(fault("offset down", AnalogCause.OFFSET, x -> x.offset = -offset));
    if (a.volts) {
      f.add(
          new Fault(
              "milliamps at the switch",
              Set.of(AnalogCause.INPUT_KIND, AnalogCause.HALF_RANGE),
              x -> {
                x.voltsOnBurden = true;
                x.readHigh = 20;
              }));
      f.add(
          new Fault(
              "reads 0-5 V",
              Set.of(AnalogCause.INPUT_KIND, AnalogCause.HALF_RANGE),
              x -> x.readHigh = 5));
      f.add(fault("reads 2-10 V", AnalogCause.DRIVE_LIVE_ZERO, x -> x.readLow = 2));
      f.add(fault("sends 2-10 V", AnalogCause.CONTROLLER_LIVE_ZERO, x -> x.sentLow = 2));
      f.add(fault("open wire", AnalogCause.OPEN_WIRE, x -> x.share = 0));
    } else {
      f.add(fault("reads 0-20 mA", AnalogCause.DRIVE_DEAD_ZERO, x -> x.readLow = 0));
      f.add(fault("sends 0-20 mA", AnalogCause.CONTROLLER_DEAD_ZERO, x -> x.sentLow = 0));
      f.add(fault("volts at the switch", AnalogCause.INPUT_KIND, x -> x.current250 = true));
    }
    return f;
  }

  /** What may be wrong on a register. */
  private static List<Fault> bus(SimulatedAxis a) {
    List<Fault> f = new ArrayList<>();
    for (double factor : new double[] {0.01, 0.1, 10, 100}) {
      // Where every number comes out over the limit, exchanged bytes look the same.
      boolean over = factor > 1 && !a.signed;
      f.add(
          new Fault(
              "scale × " + factor,
              over
                  ? Set.of(RegisterCause.REGISTER_SCALE, RegisterCause.REGISTER_ORDER)
                  : Set.of(RegisterCause.REGISTER_SCALE),
              x -> x.hertzPerStepInDrive *= factor));
    }
    // A share of 50 Hz for hertz, and hertz for a share of it.
    if (a.hertzPerStep == 0.01 || a.hertzPerStep == 0.001) {
      f.add(fault("taken for %", RegisterCause.REGISTER_SCALE, x -> x.hertzPerStepInDrive /= 2));
    }
    if (a.hertzPerStep == 0.05) {
      f.add(fault("taken for Hz", RegisterCause.REGISTER_SCALE, x -> x.hertzPerStepInDrive = 0.1));
      for (double top : new double[] {60, 100, 40}) {
        f.add(
            new Fault(
                "100 % is " + top,
                Set.of(AxisCause.DRIVE_SPAN),
                x -> {
                  x.hertzPerStepInDrive = 0.05 * top / 50;
                  x.most = Math.max(x.most, top);
                }));
      }
    }
    Set<Cause> order =
        a.signed
            ? Set.of(RegisterCause.REGISTER_ORDER)
            : Set.of(RegisterCause.REGISTER_ORDER, RegisterCause.REGISTER_SCALE);
    if (a.words == 1) {
      f.add(new Fault("bytes exchanged", order, x -> x.bytesSwapped = true));
    } else {
      f.add(new Fault("words exchanged", order, x -> x.wordsSwapped = true));
    }
    return f;
  }

  private static List<Case> singles() {
    List<Case> cases = new ArrayList<>();
    for (Kind kind : kinds()) {
      List<Fault> faults = new ArrayList<>(everywhere(kind.axis()));
      faults.addAll(kind.axis().register ? bus(kind.axis()) : analog(kind.axis()));
      faults.forEach(f -> cases.add(new Case(kind, List.of(f))));
    }
    return cases;
  }

  private static boolean isOneOf(Fault fault, String... names) {
    return List.of(names).contains(fault.name());
  }

  /** One fault before the drive's display and one behind it, so that both can be seen. */
  private static List<Case> doubles() {
    List<Case> cases = new ArrayList<>();
    for (Kind kind : kinds()) {
      List<Fault> first =
          (kind.axis().register ? bus(kind.axis()) : analog(kind.axis()))
              .stream()
                  .filter(
                      f ->
                          isOneOf(
                              f,
                              "module otherwise",
                              "100.0 Hz at full",
                              "reads 0-20 mA",
                              "sends 0-20 mA",
                              "reads 2-10 V",
                              "inverted",
                              "scale × 0.1",
                              "taken for %",
                              "taken for Hz",
                              "100 % is 60.0",
                              "words exchanged"))
                  .toList();
      List<Fault> second =
          everywhere(kind.axis()).stream()
              .filter(f -> isOneOf(f, "6 poles", "phases exchanged", "machine × 2.0"))
              .toList();
      for (Fault one : first) {
        second.forEach(two -> cases.add(new Case(kind, List.of(one, two))));
      }
    }
    return cases;
  }

  /** Everything that can be read on an axis, blurred. */
  private static Map<String, Reading> readings(Case c, List<Prediction> predictions, long seed) {
    Random random = new Random(seed);
    SimulatedAxis axis = c.spoilt();
    Map<String, Reading> readings = new LinkedHashMap<>();
    Map<String, String> words =
        Map.of(
            Predictor.OPEN_STATUS, axis.open,
            Predictor.CLOSED_STATUS, axis.closed,
            Predictor.RUN_STATUS, axis.run,
            Predictor.DIRECTION, axis.direction());
    for (Prediction p : predictions) {
      if (words.containsKey(p.key())) {
        readings.put(p.key(), reading(p.key(), null, words.get(p.key())));
      } else if (p.key().equals(Predictor.RUN_VOLTS)
          && p.expectation() instanceof Expectation.Amount e) {
        readings.put(p.key(), reading(p.key(), axis.shareOfRunVolts * e.value(), null));
      } else if (p.key().matches("ref\\d+\\..*")
          && p.expectation() instanceof Expectation.Amount e) {
        String[] key = p.key().substring(3).split("\\.");
        double value = axis.at(Double.parseDouble(key[0])).get(key[1]);
        double blur = key[1].equals("counts") ? 0 : BLUR * (2 * random.nextDouble() - 1);
        readings.put(p.key(), reading(p.key(), value + blur * e.tolerance(), null));
      }
    }
    return readings;
  }

  private static Reading reading(String key, @Nullable Double amount, @Nullable String word) {
    return new Reading("belt", key, amount, word, "", "2026-01-31T14:05:00Z", "", Map.of());
  }

  /** What came of many cases. */
  private static final class Score {
    int cases;
    int first;
    int amongThree;
    int sure;
    int sureAndRight;
    final List<String> missed = new ArrayList<>();

    void add(Case c, Diagnosis diagnosis) {
      List<Suspicion> s = diagnosis.suspicions();
      cases++;
      boolean right = c.isNamedBy(s.get(0));
      first += right ? 1 : 0;
      amongThree += s.stream().limit(3).anyMatch(c::isNamedBy) ? 1 : 0;
      if (s.get(0).probability() >= 0.9 && s.get(0).cause() != AxisCause.NOT_EXPLAINED) {
        sure++;
        sureAndRight += right ? 1 : 0;
      }
      if (!right) {
        missed.add("%s → %s (%.2f)".formatted(c, s.get(0).title(), s.get(0).probability()));
      }
    }

    double share(int of) {
      return (double) of / cases;
    }

    @Override
    public String toString() {
      return "%d cases, first in %.1f %%, among three in %.1f %%; of %d answers given 90 %% or more %.1f %% right"
          .formatted(
              cases,
              100 * share(first),
              100 * share(amongThree),
              sure,
              100.0 * sureAndRight / Math.max(1, sure));
    }
  }

  private static Score all(List<Case> cases) {
    Score score = new Score();
    for (int round = 0; round < ROUNDS; round++) {
      for (int i = 0; i < cases.size(); i += STRIDE) {
        Case c = cases.get(i);
        AxisAssembly axis = Fixtures.assembly(c.kind().project());
        SignalPath path = PathFactory.of(axis);
        List<Prediction> predictions = Predictor.predict(axis, path);
        Map<String, Reading> readings = readings(c, predictions, 1000L * round + i);
        score.add(c, Detective.diagnose(path, predictions, List.copyOf(readings.values())));
      }
    }
    return score;
  }

  @Test
  void theTwinsAgreeWithTheDesign() {
    for (Kind kind : kinds()) {
      AxisAssembly axis = Fixtures.assembly(kind.project());
      for (Prediction p : Predictor.predict(axis, PathFactory.of(axis))) {
        if (p.key().matches("ref\\d+\\..*") && p.expectation() instanceof Expectation.Amount e) {
          String[] key = p.key().substring(3).split("\\.");
          assertThat(kind.axis().at(Double.parseDouble(key[0])).get(key[1]))
              .as("%s %s", kind.name(), p.key())
              .isCloseTo(e.value(), org.assertj.core.api.Assertions.within(0.2 * e.tolerance()));
        }
      }
    }
  }

  @Test
  void withAllReadingsTheTrueCauseLeads() {
    List<Case> cases = singles();
    assertThat(cases).hasSizeGreaterThanOrEqualTo(250);
    Score score = all(cases);
    System.out.println("detective, single faults: " + score);
    score.missed.forEach(m -> System.out.println("  missed: " + m));
    assertThat(score.share(score.first)).isGreaterThanOrEqualTo(0.95);
    assertThat(score.share(score.amongThree)).isGreaterThanOrEqualTo(0.99);
    assertThat((double) score.sureAndRight / score.sure).isGreaterThanOrEqualTo(0.95);
  }

  @Test
  void twoFaultsAtOnceAreNamed() {
    List<Case> cases = doubles();
    assertThat(cases).hasSizeGreaterThanOrEqualTo(60);
    Score score = all(cases);
    System.out.println("detective, double faults: " + score);
    score.missed.forEach(m -> System.out.println("  missed: " + m));
    assertThat(score.share(score.first)).isGreaterThanOrEqualTo(0.95);
    assertThat((double) score.sureAndRight / score.sure).isGreaterThanOrEqualTo(0.95);
  }

  /** Begun at the display at half speed, then always what the detective asks for. */
  @Test
  void withFourReadingsItLeadsMostly() {
    Score score = new Score();
    List<Case> cases = singles();
    for (int i = 0; i < cases.size(); i += STRIDE) {
      Case c = cases.get(i);
      AxisAssembly axis = Fixtures.assembly(c.kind().project());
      SignalPath path = PathFactory.of(axis);
      List<Prediction> predictions = Predictor.predict(axis, path);
      Map<String, Reading> readings = readings(c, predictions, i);
      List<Reading> taken = new ArrayList<>(List.of(readings.get("ref50.frequency")));
      Diagnosis diagnosis = Detective.diagnose(path, predictions, taken);
      while (taken.size() < 4 && diagnosis.next() != null) {
        taken.add(readings.get(diagnosis.next().prediction().key()));
        diagnosis = Detective.diagnose(path, predictions, taken);
      }
      score.add(c, diagnosis);
    }
    System.out.println("detective, four readings: " + score);
    score.missed.forEach(m -> System.out.println("  missed: " + m));
    assertThat(score.share(score.first)).isGreaterThanOrEqualTo(0.88);
    assertThat((double) score.sureAndRight / score.sure).isGreaterThanOrEqualTo(0.95);
  }
}
