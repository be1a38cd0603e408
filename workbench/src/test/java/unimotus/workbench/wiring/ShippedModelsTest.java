package unimotus.workbench.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import unimotus.core.circuit.Characteristic;
import unimotus.core.sheet.ControllerSheet;
import unimotus.core.sheet.DeviceSheet;
import unimotus.core.sheet.DriveSheet;
import unimotus.core.sheet.Figure;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.formats.sheet.SheetLibrary;

/** The electrical models of the shipped devices against the limits of IEC 61131-2 (from memory). */
class ShippedModelsTest {

  static Stream<DeviceSheet> devices() {
    return SheetLibrary.shipped().stream().filter(s -> !s.terminals().isEmpty());
  }

  @ParameterizedTest
  @MethodSource("devices")
  void everyTerminalCarriesACompleteModel(DeviceSheet sheet) {
    assertThat(sheet.terminals())
        .allSatisfy(t -> assertThat(t.missingFigures()).as(sheet.id() + " " + t.id()).isEmpty());
  }

  @ParameterizedTest
  @MethodSource("devices")
  void everyCommonIsATerminalOfTheDevice(DeviceSheet sheet) {
    assertThat(sheet.terminals())
        .filteredOn(t -> t.common() != null)
        .allSatisfy(t -> assertThat(sheet.terminal(t.common())).isPresent());
  }

  private static double amperes(Terminal input, double volts) {
    return Characteristic.limitedDiode(
            input.figure(Figure.FORWARD_VOLTS),
            input.figure(Figure.INPUT_OHMS),
            input.figure(Figure.LIMIT_AMPERES))
        .amperesAt(volts);
  }

  private static List<Terminal> inputs(String type) {
    return SheetLibrary.shipped().stream()
        .flatMap(s -> s.terminals().stream())
        .filter(t -> t.role() == TerminalRole.DIGITAL_INPUT && t.label().endsWith(type))
        .toList();
  }

  /** Type 1: on from 15 V with at least 2 mA and at most 15 mA at 30 V, off below 5 V. */
  @Test
  void typeOneInputsKeepTheirLimits() {
    assertThat(inputs("type 1")).isNotEmpty();
    assertThat(inputs("type 1"))
        .allSatisfy(
            t -> {
              assertThat(t.figure(Figure.ON_VOLTS)).isEqualTo(15);
              assertThat(t.figure(Figure.OFF_VOLTS)).isEqualTo(5);
              assertThat(amperes(t, 15)).isBetween(0.002, 0.015);
              assertThat(amperes(t, 30)).isBetween(0.002, 0.015);
            });
  }

  /** Type 3: on from 11 V with at least 2 mA and at most 15 mA at 30 V, off below 5 V. */
  @Test
  void typeThreeInputsKeepTheirLimits() {
    assertThat(inputs("type 3")).isNotEmpty();
    assertThat(inputs("type 3"))
        .allSatisfy(
            t -> {
              assertThat(t.figure(Figure.ON_VOLTS)).isEqualTo(11);
              assertThat(amperes(t, 11)).isBetween(0.002, 0.015);
              assertThat(amperes(t, 30)).isBetween(0.002, 0.015);
            });
  }

  /**
   * The leakage of a shipped transistor output stays under the off limit of every shipped input.
   */
  @Test
  void noShippedOutputLeaksAShippedInputOn() {
    double leakage =
        SheetLibrary.shipped().stream()
            .flatMap(s -> s.terminals().stream())
            .filter(t -> t.role() == TerminalRole.SOURCING_OUTPUT)
            .mapToDouble(t -> t.figure(Figure.LEAKAGE_AMPERES))
            .max()
            .orElseThrow();
    assertThat(leakage).isLessThanOrEqualTo(0.0005);
    for (Terminal input : inputs("type 3")) {
      double volts = input.figure(Figure.FORWARD_VOLTS) + leakage * input.figure(Figure.INPUT_OHMS);
      assertThat(volts).as(input.id()).isLessThan(input.figure(Figure.OFF_VOLTS));
    }
  }

  @Test
  void theStockHasEveryKindOfDevice() {
    List<DeviceSheet> all = SheetLibrary.shipped();
    assertThat(all.stream().filter(ControllerSheet.class::isInstance)).hasSize(5);
    assertThat(all.stream().filter(DriveSheet.class::isInstance)).hasSize(12);
    assertThat(all.stream().filter(PartSheet.class::isInstance)).hasSizeGreaterThanOrEqualTo(9);
    for (TerminalRole role : TerminalRole.values()) {
      assertThat(all.stream().flatMap(s -> s.terminals().stream()).anyMatch(t -> t.role() == role))
          .as("a shipped terminal of role " + role)
          .isTrue();
    }
  }
}
