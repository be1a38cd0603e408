package unimotus.core.program;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import unimotus.core.Fixtures;
import unimotus.core.Lines;
import unimotus.core.fieldbus.LinkWatch;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.fieldbus.RegisterMap;
import unimotus.core.fieldbus.RegisterPlace;
import unimotus.core.fieldbus.RegisterTable;
import unimotus.core.fieldbus.WordOrder;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Project;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordProfile;
import unimotus.core.value.Access;
import unimotus.core.value.DriveValue;
import unimotus.core.value.Limits;
import unimotus.core.value.Scaling;
import unimotus.core.value.ValueType;

/** What a block says of itself, what it scales, and what is refused with the reason. */
class LinkProgramTest {
  private static final LinkWatch WATCH = new LinkWatch(0.05, 0.01);
  private static final RegisterEntry CONTROL = word("control word", 0, Access.READ_WRITE);
  private static final RegisterEntry STATUS = word("status word", 10, Access.READ);
  private static final RegisterEntry SIGNED =
      number("frequency reference", 1, ValueType.SIGNED_16, 0.01, 0, "Hz", -200, 200);

  private static RegisterEntry word(String name, int address, Access access) {
    return new RegisterEntry(
        DriveValue.named(name, ValueType.BITS_16, Scaling.of(1, ""), new Limits(0, 65_535), access),
        new RegisterPlace(RegisterTable.HOLDING_REGISTER, address, WordOrder.ABCD, "words"));
  }

  private static RegisterEntry number(
      String name,
      int address,
      ValueType type,
      double scale,
      double offset,
      String unit,
      double least,
      double most) {
    return new RegisterEntry(
        DriveValue.named(
            name,
            type,
            new Scaling(scale, offset, unit),
            new Limits(least, most),
            Access.READ_WRITE),
        new RegisterPlace(RegisterTable.HOLDING_REGISTER, address, WordOrder.ABCD, "numbers"));
  }

  private static FunctionBlock block(Project project, WordProfile profile, RegisterEntry... more) {
    List<RegisterEntry> all = new ArrayList<>(List.of(CONTROL, STATUS));
    all.addAll(List.of(more));
    AxisAssembly axis = Lines.axis(project);
    return LinkProgram.block(axis, new RegisterMap(all), profile, WATCH);
  }

  private static Project line() {
    return Lines.bare("controller-modular", "fieldbus-drive-1k5");
  }

  private static StructuredText read(FunctionBlock block) {
    return new StructuredText(block.text());
  }

  @Test
  void everyProfileReadsByTheGrammar() {
    for (WordProfile profile : DriveProfiles.ofSpeed()) {
      StructuredText block = read(block(line(), profile, SIGNED));
      assertThat(block.name()).isEqualTo("Drive_Belt");
      assertThat(block.type("ControlWord")).isEqualTo("WORD");
      assertThat(block.type("ReferenceRaw")).isEqualTo("INT");
    }
  }

  /** Raw 2000 of 0.05 Hz with −10 Hz of offset are 90 Hz; of 1 rpm at four poles 66.67 Hz. */
  @ParameterizedTest
  @CsvSource({
    "0.05, -10, Hz, 2000, 90",
    "1, 0, rpm, 2000, 66.6667",
    "1, -500, rpm, 2000, 50",
    "0.1, 0, %, 500, 30",
    "0.1, -10, %, 500, 24"
  })
  void theActualValueHasItsOffsetAndUnit(
      double scale, double offset, String unit, int raw, double hertz) {
    RegisterEntry actual =
        number("output frequency", 2, ValueType.UNSIGNED_16, scale, offset, unit, -600, 6000);
    StructuredText block = read(block(line(), DriveProfiles.RUN_AND_STOP, SIGNED, actual));
    block.put("Answered", true);
    block.put("OutputRaw", raw);
    block.scan(0);
    assertThat(block.real("ActualHertz")).isCloseTo(hertz, within(1e-3));
    block.put("Answered", false);
    block.put("OutputRaw", 0);
    block.scan(10);
    assertThat(block.real("ActualHertz")).as("the last one known").isCloseTo(hertz, within(1e-3));
  }

  /** Nothing is claimed before the first answer, after a lost link, or of a word nobody knows. */
  @Test
  void whatIsNotKnownIsUnknown() {
    StructuredText block = read(block(line(), DriveProfiles.CIA_402_VELOCITY, SIGNED));
    block.put("StatusWord", 0x27);
    block.scan(0);
    assertThat(block.is("Unknown")).isTrue();
    assertThat(block.is("Running")).isFalse();
    block.put("Answered", true);
    block.scan(10);
    assertThat(block.is("Unknown")).isFalse();
    assertThat(block.is("Running")).isTrue();
    block.put("StatusWord", 0x2B);
    block.scan(20);
    assertThat(block.is("Unknown")).as("no state of the profile").isTrue();
    block.put("StatusWord", 0x27);
    block.put("Answered", false);
    block.scan(30);
    assertThat(block.is("Unknown")).isFalse();
    block.scan(229);
    assertThat(block.is("LinkLost")).isFalse();
    block.scan(230);
    assertThat(block.is("LinkLost")).isTrue();
    assertThat(block.is("Unknown")).isTrue();
    assertThat(block.is("Running")).isFalse();
  }

  /** The reset bit stands for 200 ms – three cycles of 50 ms and a scan – and rests as long. */
  @Test
  void aResetIsAsLongAsTheBusNeeds() {
    StructuredText block = read(block(line(), DriveProfiles.CIA_402_VELOCITY, SIGNED));
    block.put("StatusWord", 0x08);
    block.put("Answered", true);
    block.scan(0);
    int idle = block.whole("ControlWord");
    assertThat(idle & 0x80).isZero();
    for (int t = 10; t < 600; t += 10) {
      // Pressed and let go in turn: the pulse neither stretches nor comes again too soon.
      block.put("Reset", t % 20 == 10);
      block.scan(t);
      boolean up = t < 210 || t >= 430;
      assertThat((block.whole("ControlWord") & 0x80) != 0).as("at %d ms", t).isEqualTo(up);
    }
  }

  @Test
  void theDrivesOwnTimeOutIsSetOrItsAbsenceIsTold() {
    FunctionBlock without = block(line(), DriveProfiles.RUN_AND_STOP, SIGNED);
    assertThat(without.remarks())
        .anyMatch(
            r ->
                r.startsWith(
                    "ATTENTION: a controller that stops does not stop the motor. 705 is 0"));
    Project set = Fixtures.withSetting(Fixtures.withSetting(line(), "705", 2), "706", "stop");
    assertThat(block(set, DriveProfiles.RUN_AND_STOP, SIGNED).remarks())
        .anyMatch(r -> r.startsWith("705: after 2 s"));
    RegisterEntry timeout =
        number("link time-out", 5, ValueType.UNSIGNED_16, 10, 0, "ms", 0, 60_000);
    FunctionBlock with = block(set, DriveProfiles.RUN_AND_STOP, SIGNED, timeout);
    assertThat(with.remarks())
        .anyMatch(
            r ->
                r.startsWith(
                    "The drive's own time-out is set by this block: 0.2 s in holding register 5"));
    StructuredText block = read(with);
    block.scan(0);
    assertThat(block.whole("TimeoutRaw")).isEqualTo(20);
  }

  /** 0.2 s in whole seconds is one, not nothing: nothing would never time out. */
  @Test
  void aTimeOutIsNeverRoundedToNothing() {
    RegisterEntry seconds = number("link time-out", 5, ValueType.UNSIGNED_16, 1, 0, "s", 0, 60);
    StructuredText block = read(block(line(), DriveProfiles.RUN_AND_STOP, SIGNED, seconds));
    block.scan(0);
    assertThat(block.whole("TimeoutRaw")).isEqualTo(1);
    Project held = Fixtures.withSetting(line(), "706", "hold");
    assertThat(block(held, DriveProfiles.RUN_AND_STOP, SIGNED, seconds).remarks())
        .anyMatch(r -> r.startsWith("ATTENTION: a controller that stops does not stop the motor."));
    refused(
        DriveProfiles.RUN_AND_STOP,
        "'Hz', which tells no time",
        CONTROL,
        STATUS,
        SIGNED,
        number("link time-out", 5, ValueType.UNSIGNED_16, 1, 0, "Hz", 0, 60));
    refused(
        DriveProfiles.RUN_AND_STOP,
        "holds 0.1 s at most, the bus needs 0.2",
        CONTROL,
        STATUS,
        SIGNED,
        number("link time-out", 5, ValueType.UNSIGNED_16, 0.1, 0, "s", 0, 0.1));
  }

  /** A scale below nothing turns the limits of the register round, and they stay in order. */
  @Test
  void aNegativeScaleKeepsItsLimits() {
    RegisterEntry turned =
        number("frequency reference", 1, ValueType.SIGNED_16, -0.01, 0, "Hz", -200, 200);
    StructuredText block = read(block(line(), DriveProfiles.CIA_402_VELOCITY, turned));
    block.put("StatusWord", 0x23);
    block.put("Answered", true);
    block.put("Speed", 12.5);
    block.scan(0);
    block.put("Run", true);
    block.scan(10);
    assertThat(block.whole("ReferenceRaw")).isEqualTo(-2500);
  }

  @Test
  void wordsThatDoNotTellAPermissionSaySo() {
    assertThat(block(line(), DriveProfiles.RUN_AND_STOP, SIGNED).remarks())
        .noneMatch(r -> r.contains("tell no missing permission"));
  }

  private static void refused(WordProfile profile, String why, RegisterEntry... map) {
    assertThatThrownBy(
            () ->
                LinkProgram.block(
                    Lines.axis(line()), new RegisterMap(List.of(map)), profile, WATCH))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(why);
  }

  @Test
  void whatWouldNotBeTrueIsRefused() {
    WordProfile sign = DriveProfiles.CIA_402_VELOCITY;
    RegisterEntry plain =
        number("frequency reference", 1, ValueType.UNSIGNED_16, 0.01, 0, "Hz", 0, 200);
    refused(sign, "tell backward by the sign of the reference", CONTROL, STATUS, plain);
    refused(
        sign,
        "10 to 60 Hz: the words",
        CONTROL,
        STATUS,
        number("frequency reference", 1, ValueType.SIGNED_16, 0.01, 0, "Hz", -10, 200));
    refused(
        sign,
        "'A', which tells no speed",
        CONTROL,
        STATUS,
        number("frequency reference", 1, ValueType.SIGNED_16, 0.01, 0, "A", -200, 200));
    refused(
        sign,
        "output frequency (holding register 2",
        CONTROL,
        STATUS,
        SIGNED,
        number("output frequency", 2, ValueType.SIGNED_16, 0.01, 0, "", -200, 200));
    refused(sign, "'status word'", CONTROL, SIGNED);
    refused(sign, "can only be read", word("control word", 0, Access.READ), STATUS, SIGNED);
    refused(
        sign,
        "a word has 16 bits",
        CONTROL,
        number("status word", 10, ValueType.UNSIGNED_32, 1, 0, "", 0, 1e9),
        SIGNED);
    assertThat(block(line(), DriveProfiles.RUN_AND_STOP, plain).text())
        .as("a bit tells the direction")
        .contains("IF Backward THEN");
  }

  /** An offset lets an unsigned register go backward: 32768 is standstill (by hand). */
  @Test
  void anOffsetMakesAnUnsignedRegisterGoBackward() {
    RegisterEntry shifted =
        number("frequency reference", 1, ValueType.UNSIGNED_16, 0.01, -327.68, "Hz", -300, 300);
    StructuredText block = read(block(line(), DriveProfiles.CIA_402_VELOCITY, shifted));
    block.put("StatusWord", 0x23);
    block.put("Answered", true);
    block.put("Speed", 12.5);
    block.scan(0);
    assertThat(block.whole("ReferenceRaw"))
        .as("nothing is wanted before a start")
        .isEqualTo(32_768);
    block.put("Run", true);
    block.put("Backward", true);
    block.scan(10);
    // Half of 25 m/min is 25 Hz.
    assertThat(block.whole("ReferenceRaw")).isEqualTo(32_768 - 2500);
  }

  /** In a mode that commands no speed the reference would be taken for something else. */
  @ParameterizedTest
  @EnumSource(
      value = OperatingMode.class,
      names = {"NONE", "VELOCITY", "PROFILE_VELOCITY"},
      mode = EnumSource.Mode.EXCLUDE)
  void aModeThatCommandsNoSpeedIsRefused(OperatingMode mode) {
    refused(DriveProfiles.cia402(mode), mode.label() + " mode", CONTROL, STATUS, SIGNED);
  }

  @Test
  void aProfileWithoutMotionIsRefused() {
    WordProfile p = DriveProfiles.RUN_AND_STOP;
    WordProfile still =
        new WordProfile(
            "still",
            "",
            p.states().subList(2, 4),
            p.commands(),
            List.of(),
            p.controlBits(),
            p.statusBits(),
            p.direction(),
            0,
            OperatingMode.NONE);
    refused(still, "no state of the kind 'running'", CONTROL, STATUS, SIGNED);
  }
}
