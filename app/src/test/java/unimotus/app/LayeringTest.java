package unimotus.app;

import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.Architectures.layeredArchitecture;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/**
 * The house: arrows only downward, no interface code below the desktop, no cycles between rooms.
 */
@AnalyzeClasses(packages = "unimotus", importOptions = ImportOption.DoNotIncludeTests.class)
class LayeringTest {

  @ArchTest
  static final ArchRule STOREYS =
      layeredArchitecture()
          .consideringOnlyDependenciesInLayers()
          .layer("core")
          .definedBy("unimotus.core..")
          .layer("formats")
          .definedBy("unimotus.formats..")
          .optionalLayer("devices")
          .definedBy("unimotus.devices..")
          .layer("workbench")
          .definedBy("unimotus.workbench..")
          .layer("cli")
          .definedBy("unimotus.cli..")
          .layer("desktop")
          .definedBy("unimotus.desktop..")
          .whereLayer("desktop")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("cli")
          .mayNotBeAccessedByAnyLayer()
          .whereLayer("workbench")
          .mayOnlyBeAccessedByLayers("cli", "desktop")
          .whereLayer("formats")
          .mayOnlyBeAccessedByLayers("workbench", "cli", "desktop")
          .whereLayer("devices")
          .mayOnlyBeAccessedByLayers("workbench", "cli", "desktop")
          .whereLayer("core")
          .mayOnlyBeAccessedByLayers("formats", "devices", "workbench", "cli", "desktop");

  @ArchTest
  static final ArchRule NO_WINDOW_BELOW_THE_DESKTOP =
      noClasses()
          .that()
          .resideOutsideOfPackage("unimotus.desktop..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..");

  /** What the core's module description does not export: its own matter. */
  @ArchTest
  static final ArchRule THE_CORE_KEEPS_ITS_OWN =
      noClasses()
          .that()
          .resideInAnyPackage(
              "unimotus.formats..",
              "unimotus.devices..",
              "unimotus.workbench..",
              "unimotus.cli..",
              "unimotus.desktop..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "unimotus.core.circuit..",
              "unimotus.core.discrete..",
              "unimotus.core.identity..",
              "unimotus.core.power..",
              "unimotus.core.integrity..",
              "unimotus.core.way.*..");

  @ArchTest
  static final ArchRule CORE_IS_PURE =
      noClasses()
          .that()
          .resideInAPackage("unimotus.core..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "java.io..",
              "java.nio.file..",
              "java.nio.channels..",
              "java.net..",
              "java.time..",
              "java.util.concurrent..",
              "com.fasterxml..",
              "org.slf4j..")
          .orShould()
          .dependOnClassesThat()
          .haveFullyQualifiedName("java.lang.Thread");

  /** Found by their interface alone: what is on an axis is asked of the link, not of its class. */
  @ArchTest
  static final ArchRule NOBODY_KNOWS_A_WAY_OF_COMMAND =
      noClasses()
          .that()
          .resideOutsideOfPackage("unimotus.core.way.*..")
          .should()
          .dependOnClassesThat()
          .resideInAPackage("unimotus.core.way.*..");

  /** What ways over a fieldbus share is a number and what a station shows, which know neither. */
  @ArchTest
  static final ArchRule WAYS_KNOW_NOTHING_OF_EACH_OTHER =
      slices()
          .matching("unimotus.core.way.(*)..")
          .should()
          .notDependOnEachOther()
          .ignoreDependency(
              resideInAPackage("unimotus.core.way.."),
              resideInAPackage("unimotus.core.way.number.."))
          .ignoreDependency(
              resideInAPackage("unimotus.core.way.."),
              resideInAPackage("unimotus.core.way.position.."))
          .ignoreDependency(
              resideInAPackage("unimotus.core.way.."),
              resideInAPackage("unimotus.core.way.station.."));

  @ArchTest
  static final ArchRule NO_CYCLES_IN_CORE =
      slices().matching("unimotus.core.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule NO_CYCLES_IN_DEVICES =
      slices().matching("unimotus.devices.(*)..").should().beFreeOfCycles();

  /** Values alone: a protocol is something that carries them. */
  @ArchTest
  static final ArchRule A_STAND_IN_DRIVE_KNOWS_NO_PROTOCOL =
      noClasses()
          .that()
          .resideInAnyPackage("unimotus.devices.drive..", "unimotus.devices.connection..")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "unimotus.devices.modbus..",
              "unimotus.devices.registers..",
              "unimotus.devices.serial..",
              "unimotus.devices.ethercat..",
              "unimotus.core.fieldbus..");

  /** What starts stand-ins and what searches a bus has to know which one it is. */
  @ArchTest
  static final ArchRule LIVE_WORKS_ON_A_CONNECTION =
      noClasses()
          .that()
          .resideInAPackage("unimotus.workbench.live..")
          .and()
          .haveNameNotMatching(
              ".*\\.(StandIns|DeviceSearch|StationStandIns|StationFault|StationSearch)(\\$.*)?")
          .should()
          .dependOnClassesThat()
          .resideInAnyPackage(
              "unimotus.devices.modbus..",
              "unimotus.devices.registers..",
              "unimotus.devices.serial..",
              "unimotus.devices.ethercat..",
              "unimotus.core.fieldbus..");

  @ArchTest
  static final ArchRule NO_CYCLES_IN_FORMATS =
      slices().matching("unimotus.formats.(*)..").should().beFreeOfCycles();

  @ArchTest
  static final ArchRule NO_GRAB_BAGS =
      noClasses()
          .should()
          .resideInAnyPackage("..util..", "..common..", "..misc..", "..helper..", "..manager..");

  @ArchTest
  static final ArchRule CONTROLS_KNOW_NO_USE_CASES_BUT_UNITS =
      classes()
          .that()
          .resideInAPackage("unimotus.desktop.kit..")
          .should()
          .onlyDependOnClassesThat()
          .resideInAnyPackage(
              "unimotus.desktop.kit..",
              "unimotus.core.quantity..",
              "unimotus.workbench..",
              "java..",
              "javafx..",
              "javax.imageio..",
              "org.jspecify..");
}
