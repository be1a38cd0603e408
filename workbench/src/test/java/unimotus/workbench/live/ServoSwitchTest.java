package unimotus.workbench.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import unimotus.core.Lines;
import unimotus.core.machine.Part;
import unimotus.core.machine.Project;
import unimotus.core.move.TravelRange;
import unimotus.devices.drive.StandInServo;
import unimotus.formats.sheet.SheetLibrary;
import unimotus.workbench.Demo;
import unimotus.workbench.MotionEdits;

/** Home and limit switches of a simulated servo act through the wires of the line. */
class ServoSwitchTest {
  private static final String DRIVE = "slicer-drive-module";
  private static final int PROFILE_VELOCITY = 3;
  private static final int HOMING = 6;
  private static final int LIMITED = 0x800;

  private static Project with(Project project, String input, String fed, String contact) {
    String id = "switch-" + input.toLowerCase(java.util.Locale.ROOT);
    Project next = project.with(new Part(id, "Switch " + input, "position-switch", Map.of()));
    return Lines.plus(
        next, DRIVE + ":P – " + id + ":" + fed, id + ":" + contact + " – " + DRIVE + ":" + input);
  }

  /** Limits on opening contacts, home on a closing one. */
  private static Project right() {
    return with(with(with(Demo.project(), "D1", "11", "12"), "D2", "11", "12"), "D3", "23", "24");
  }

  private static void mode(ServoRig rig, int mode) throws Exception {
    ServoRig.put(rig.servo(), 0x6060, mode, 1);
    rig.enable(0);
  }

  /** 650 mm is the end of the travel; 131 072 counts for 60 mm. */
  private static double millimetres(StandInServo axis) {
    return axis.position() / 131_072 * 60;
  }

  @Test
  void aLimitSwitchEndsTheTravelAndLetsItBack() throws Exception {
    try (ServoRig rig = new ServoRig(right())) {
      StandInServo axis = rig.servo().axes().get(0);
      mode(rig, PROFILE_VELOCITY);
      ServoRig.put(rig.servo(), 0x60FF, 400 * 131_072 / 60, 4);
      rig.pass(5);
      assertThat(millimetres(axis)).isBetween(650.0, 690.0);
      assertThat(axis.velocity()).isZero();
      assertThat(axis.status() & LIMITED).isNotZero();
      ServoRig.put(rig.servo(), 0x60FF, -400 * 131_072 / 60, 4);
      rig.pass(0.5);
      assertThat(axis.velocity()).isNegative();
      assertThat(axis.status() & LIMITED).isZero();
    }
  }

  /** A broken wire is a limit that is reached: it runs the other way only. */
  @Test
  void aBrokenWireStopsItToo() throws Exception {
    Project broken = Lines.minus(right(), "switch-d2:12");
    try (ServoRig rig = new ServoRig(broken)) {
      StandInServo axis = rig.servo().axes().get(0);
      mode(rig, PROFILE_VELOCITY);
      ServoRig.put(rig.servo(), 0x60FF, 100_000, 4);
      rig.pass(1);
      assertThat(axis.position()).isCloseTo(0, within(300.0));
      ServoRig.put(rig.servo(), 0x60FF, -5000, 4);
      rig.pass(0.5);
      assertThat(axis.velocity()).isNegative();
    }
  }

  /** Method 21 seeks the home switch in negative direction; its edge is at 0 (from memory). */
  @Test
  void homeIsFoundOnItsSwitch() throws Exception {
    try (ServoRig rig = new ServoRig(right())) {
      StandInServo axis = rig.servo().axes().get(0);
      mode(rig, PROFILE_VELOCITY);
      ServoRig.put(rig.servo(), 0x60FF, 300_000, 4);
      rig.pass(2);
      ServoRig.put(rig.servo(), 0x60FF, 0, 4);
      rig.pass(1);
      assertThat(millimetres(axis)).isGreaterThan(100);
      ServoRig.put(rig.servo(), 0x6098, 21, 1);
      ServoRig.put(rig.servo(), 0x607C, 5000, 4);
      ServoRig.put(rig.servo(), 0x6060, HOMING, 1);
      ServoRig.put(rig.servo(), 0x6040, 0x1F, 2);
      rig.pass(30);
      assertThat(axis.status() & 0x1000).as("homed").isNotZero();
      assertThat(axis.shift()).isCloseTo(5000, within(100.0));
    }
  }

  /** No switch is wired to the home input: homing ends at the limit with an error. */
  @Test
  void withoutAHomeSwitchHomingFails() throws Exception {
    Project none = Lines.minus(right(), "switch-d3:24");
    try (ServoRig rig = new ServoRig(none)) {
      StandInServo axis = rig.servo().axes().get(0);
      ServoRig.put(rig.servo(), 0x6098, 21, 1);
      ServoRig.put(rig.servo(), 0x6060, HOMING, 1);
      rig.enable(0);
      ServoRig.put(rig.servo(), 0x6040, 0x1F, 2);
      rig.pass(30);
      assertThat(axis.status() & 0x2000).as("homing error").isNotZero();
      assertThat(axis.velocity()).isZero();
    }
  }

  /** What is taken as there is said, axis by axis; a switch on the wires is not taken as there. */
  @Test
  void whatIsNotWiredIsSaid() {
    assertThat(AssumedSwitches.of(Demo.project(), SheetLibrary.catalogue()))
        .hasValueSatisfying(
            words -> assertThat(words).contains("No limit switch is wired on Slicer X, Slicer Z"));
    assertThat(AssumedSwitches.of(right(), SheetLibrary.catalogue()))
        .hasValueSatisfying(words -> assertThat(words).doesNotContain("Slicer X"));
    Project none = Demo.project();
    for (String id : List.of("slicer-x", "slicer-z")) {
      none =
          MotionEdits.change(id, "travel", d -> d.withTravel(TravelRange.ENDLESS))
              .change()
              .apply(none);
    }
    assertThat(AssumedSwitches.of(none, SheetLibrary.catalogue())).isEmpty();
  }
}
