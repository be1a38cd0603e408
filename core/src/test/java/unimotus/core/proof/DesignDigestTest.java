package unimotus.core.proof;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.machine.Answer;
import unimotus.core.machine.Axis;
import unimotus.core.machine.ConductorSize;
import unimotus.core.machine.DrivePlate;
import unimotus.core.machine.Feed;
import unimotus.core.machine.Load;
import unimotus.core.machine.Mechanics;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.machine.Reference;
import unimotus.core.machine.StopEffect;
import unimotus.core.machine.StopLogic;
import unimotus.core.machine.StopTrigger;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.InductionPlate;
import unimotus.core.stops.Stops;
import unimotus.core.way.Designs;

/** A change of the design makes stale what rests on it, and nothing else. */
class DesignDigestTest {
  private static final Project SOUND =
      Stops.project(
          Stops.TERMINAL_DRIVE,
          Stops.request(StopTrigger.GUARD_SWITCH, StopLogic.SAFETY_RELAY, StopEffect.STO));

  private static Arguments change(String what, UnaryOperator<Project> change, String... parts) {
    Set<String> stale = Set.of(parts);
    return Arguments.of(what, change, stale);
  }

  private static Arguments axis(String what, UnaryOperator<Axis> change, String... parts) {
    return change(what, p -> p.with(change.apply(p.axes().get(0))), parts);
  }

  private static Arguments reference(String what, Reference to) {
    return axis(what, a -> a.withReference(to), "PROGRAM");
  }

  private static Arguments plate(String what, InductionPlate to) {
    return change(what, p -> Fixtures.withPlate(p, to), "MOTOR");
  }

  private static Arguments feed(String what, UnaryOperator<Feed> change) {
    return change(what, p -> p.with(p.record("drive").withFeed(change.apply(Feed.USUAL))), "POWER");
  }

  private static Project laid(Project p, double metres, ConductorSize size) {
    List<Wire> wires = new ArrayList<>(p.wires());
    WireMake make = wires.get(0).make().withLength(metres).withSize(size);
    wires.set(0, wires.get(0).withMake(make));
    return p.withWires(wires);
  }

  static Stream<Arguments> changes() {
    return Stream.of(
        change("name of the stop", p -> p.with(p.stops().get(0).withName("Another"))),
        axis("name of the axis", a -> a.withName("Another")),
        change("channel", p -> Fixtures.withChannel(p, "AO0.range", "0-10 V"), "CONTROLLER"),
        reference("full speed", new Reference(null, null, 0, 26, 0, 50, 27648, 0.05)),
        reference("speed at zero", new Reference(null, null, 1, 25, 0, 50, 27648, 0.05)),
        reference("frequency at zero", new Reference(null, null, 0, 25, 1, 50, 27648, 0.05)),
        reference("frequency at full", new Reference(null, null, 0, 25, 0, 51, 27648, 0.05)),
        reference("counts", new Reference(null, null, 0, 25, 0, 50, 32767, 0.05)),
        reference("output", new Reference("AO0", null, 0, 25, 0, 50, 27648, 0.05)),
        reference("input", new Reference(null, "AI1", 0, 25, 0, 50, 27648, 0.05)),
        axis("answer", a -> a.withAnswer(new Answer(null, null, 24, 27648)), "PROGRAM"),
        axis("answer's counts", a -> a.withAnswer(new Answer(null, null, 25, 27647)), "PROGRAM"),
        axis("answer's input", a -> a.withAnswer(new Answer(null, "AI0", 25, 27648)), "PROGRAM"),
        axis("answer's output", a -> a.withAnswer(new Answer("AO1", null, 25, 27648)), "PROGRAM"),
        change("a wire less", p -> p.withWires(p.wires().subList(1, p.wires().size())), "WIRES"),
        change(
            "wires in another order",
            p -> {
              List<Wire> turned = new ArrayList<>(p.wires());
              Collections.reverse(turned);
              return p.withWires(turned);
            }),
        change("length", p -> laid(p, 30, p.wires().get(0).make().size()), "WIRES"),
        change(
            "selector of a part",
            p -> {
              Part relay =
                  p.parts().stream()
                      .filter(d -> d.sheet().startsWith("safety"))
                      .findFirst()
                      .orElseThrow();
              return p.with(relay.withSelector("reset", "automatic"));
            },
            "WIRES"),
        change("setting", p -> Fixtures.withSetting(p, "R30", 20.0), "DRIVE"),
        change("choice", p -> Fixtures.withSetting(p, "A02", "60"), "DRIVE"),
        change("selector", p -> Fixtures.withDriveSelector(p, "inputs", "sink"), "DRIVE"),
        plate("power", new InductionPlate(4001, 400, 8.05, 50, 1456, 0.81, 1, 0.0135)),
        plate("volts", new InductionPlate(4000, 401, 8.05, 50, 1456, 0.81, 1, 0.0135)),
        plate("amperes", new InductionPlate(4000, 400, 8.06, 50, 1456, 0.81, 1, 0.0135)),
        plate("speed", new InductionPlate(4000, 400, 8.05, 50, 1457, 0.81, 1, 0.0135)),
        axis("gear", a -> a.withMechanics(new Mechanics.Drum(41, 0.3)), "MECHANICS"),
        axis("drum", a -> a.withMechanics(new Mechanics.Drum(40, 0.31)), "MECHANICS"),
        axis("load", a -> a.withLoad(new Load(1, 0, 0, 0, 1)), "MECHANICS"),
        axis("friction", a -> a.withLoad(new Load(0, 1, 0, 0, 1)), "MECHANICS"),
        change("vertical", p -> p.with(p.stops().get(0).withLoad(true, false)), "STOP"),
        change("holding brake", p -> p.with(p.stops().get(0).withLoad(false, true)), "STOP"),
        change(
            "plate of the drive",
            p -> p.with(p.record("drive").withPlate(new DrivePlate("K", "2.14", List.of(), true))),
            "POWER"),
        feed("mains", f -> f.withMains(415, 3)),
        feed("cable", f -> f.withLengths(f.supplyMetres() + 1, f.motorMetres())),
        feed("motor cable", f -> f.withLengths(f.supplyMetres(), f.motorMetres() + 1)),
        feed("shield", f -> f.withShield(!f.shieldedMotorCable())));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("changes")
  void aChangeSpoilsItsPartAlone(String what, UnaryOperator<Project> change, Set<String> stale) {
    Map<String, String> before = Designs.digest(Lines.axis(SOUND)).asBasis();
    Map<String, String> after = Designs.digest(Lines.axis(change.apply(SOUND))).asBasis();
    assertThat(before.keySet()).hasSize(EnumSet.allOf(unimotus.core.proof.Part.class).size());
    assertThat(before.keySet().stream().filter(k -> !before.get(k).equals(after.get(k))).toList())
        .as(what)
        .containsExactlyInAnyOrderElementsOf(stale);
  }

  /** A digest is to be printed beside a reading: twelve hexadecimal digits. */
  @Test
  void aDigestIsShort() {
    assertThat(Designs.digest(Lines.axis(SOUND)).byPart().values())
        .allSatisfy(d -> assertThat(d).matches("[0-9a-f]{12}"));
  }
}
