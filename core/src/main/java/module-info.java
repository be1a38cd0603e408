/**
 * The trade's computation: no file, socket, thread, clock or interface code.
 *
 * <p>Start with {@code unimotus.core.machine} (what a line is) and {@code unimotus.core.path} (the
 * way of a number from the controller to the machine and back).
 */
module unimotus.core {
  requires static io.soabase.recordbuilder.core;
  requires static java.compiler;
  requires static transitive org.jspecify;
  requires ejml.core;
  requires ejml.dsparse;
  requires hipparchus.core;

  exports unimotus.core.analog;
  exports unimotus.core.bench;
  exports unimotus.core.calc;
  exports unimotus.core.derivation;
  exports unimotus.core.detective;
  exports unimotus.core.fieldbus;
  exports unimotus.core.finding;
  exports unimotus.core.link;
  exports unimotus.core.machine;
  exports unimotus.core.motion;
  exports unimotus.core.plant;
  exports unimotus.core.motor;
  exports unimotus.core.move;
  exports unimotus.core.path;
  exports unimotus.core.positioning;
  exports unimotus.core.profile;
  exports unimotus.core.program;
  exports unimotus.core.proof;
  exports unimotus.core.quantity;
  exports unimotus.core.review;
  exports unimotus.core.schedule;
  exports unimotus.core.settings;
  exports unimotus.core.sheet;
  exports unimotus.core.wiring;
  exports unimotus.core.stepper;
  exports unimotus.core.stops;
  exports unimotus.core.safety;
  exports unimotus.core.scaling;
  exports unimotus.core.sequence;
  exports unimotus.core.servo;
  exports unimotus.core.way;
  exports unimotus.core.dryrun;
  exports unimotus.core.esi;
  exports unimotus.core.process;
  exports unimotus.core.processdata;
  exports unimotus.core.value;

  uses unimotus.core.way.WayOfCommand;
}
