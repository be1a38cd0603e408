package unimotus.workbench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import unimotus.core.link.LinkPlan;
import unimotus.core.link.LinkPlanner;
import unimotus.core.link.LinkRequest;
import unimotus.core.machine.Device;
import unimotus.core.machine.Ids;
import unimotus.core.machine.Part;
import unimotus.core.machine.Probe;
import unimotus.core.machine.Project;
import unimotus.core.machine.TerminalRef;
import unimotus.core.machine.Wire;
import unimotus.core.machine.WireMake;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.way.LinkIntents;

/** The named changes of the wiring: links, wires, panel parts. */
public final class WiringEdits {
  private WiringEdits() {}

  /** Adds what a first axis needs and does not have yet: run, release, reference, answer. */
  public static Edit wireFirstAxis(SheetCatalogue sheets, String axisId) {
    return new Edit(
        "wire run, reference and answer",
        p -> LinkIntents.planFirstAxis(p, sheets, axisId).project());
  }

  /** Wires a link chosen by what it is for. */
  public static Edit link(SheetCatalogue sheets, LinkRequest request) {
    return new Edit(
        "wire " + request.intent().label(),
        p -> {
          LinkPlan plan = LinkPlanner.plan(p, sheets, request);
          if (plan.done().isEmpty()) {
            throw new IllegalArgumentException(
                "%s is wired already".formatted(request.intent().label()));
          }
          return plan.project();
        });
  }

  /** Adds a wire. */
  public static Edit connect(TerminalRef from, TerminalRef to) {
    return new Edit(
        "connect %s and %s".formatted(from, to),
        p -> {
          List<String> taken = p.wires().stream().map(Wire::id).toList();
          return p.with(new Wire(Ids.from("w" + (p.wires().size() + 1), taken), from, to));
        });
  }

  /** Removes a wire. */
  public static Edit disconnect(Wire wire) {
    return new Edit("remove wire " + wire.id(), p -> without(p, wire));
  }

  private static Project without(Project project, Wire wire) {
    return project.withWires(
        project.wires().stream().filter(w -> !w.id().equals(wire.id())).toList());
  }

  /** Puts one end of a wire on another terminal. */
  public static Edit moveEnd(Wire wire, TerminalRef from, TerminalRef to) {
    return new Edit(
        "move wire %s to %s".formatted(wire.id(), to),
        p ->
            p.with(
                wire.from().equals(from)
                    ? wire.withEnds(to, wire.to())
                    : wire.withEnds(wire.from(), to)));
  }

  /** Makes a wire of something else. */
  public static Edit make(Wire wire, String what, WireMake make) {
    return new Edit(
        "set %s of wire %s".formatted(what, wire.id()), p -> p.with(wire.withMake(make)));
  }

  /**
   * Gives a wire another number.
   *
   * @throws IllegalArgumentException when applied, where the number is taken or malformed
   */
  public static Edit renumber(Wire wire, String number) {
    return new Edit(
        "number wire %s %s".formatted(wire.id(), number),
        p -> {
          if (p.wires().stream().anyMatch(w -> w.id().equals(number))) {
            throw new IllegalArgumentException("wire number '%s' is taken".formatted(number));
          }
          List<Wire> next = new ArrayList<>(p.wires());
          Wire numbered = new Wire(number, wire.from(), wire.to(), wire.make());
          next.replaceAll(w -> w.id().equals(wire.id()) ? numbered : w);
          return p.withWires(next);
        });
  }

  /** Exchanges all wires, as after reading a schedule. */
  public static Edit replaceWires(String name, List<Wire> wires) {
    return new Edit(name, p -> p.withWires(wires));
  }

  /** Adds a measurement to be made in Prove. */
  public static Edit expect(Probe probe) {
    return new Edit(
        "expect a measurement",
        p -> {
          List<Probe> next = new ArrayList<>(p.probes());
          List<String> taken = next.stream().map(Probe::id).toList();
          next.add(
              new Probe(
                  Ids.from("m" + (next.size() + 1), taken),
                  probe.axis(),
                  probe.measures(),
                  probe.red(),
                  probe.black(),
                  probe.wire(),
                  probe.on(),
                  probe.signals(),
                  probe.positions()));
          return p.withProbes(next);
        });
  }

  /** Adds a panel part of a class. */
  public static Edit addPart(PartSheet sheet) {
    return new Edit(
        "add " + sheet.name(),
        p -> {
          List<String> taken = p.devices().stream().map(Device::id).toList();
          return p.with(
              new Part(Ids.from(sheet.name(), taken), sheet.name(), sheet.id(), Map.of()));
        });
  }

  /** Removes a panel part with its wires. */
  public static Edit removePart(Part part) {
    return new Edit("remove " + part.name(), p -> p.withoutPart(part.id()));
  }

  /** Puts a selector of any device into a position. */
  public static Edit select(Device device, String selectorId, String position) {
    return new Edit(
        "put %s of %s to %s".formatted(selectorId, device.name(), position),
        p ->
            p.device(device.id())
                .map(d -> p.with(d.withSelector(selectorId, position)))
                .orElseThrow(
                    () ->
                        new IllegalArgumentException(
                            "device '%s' is no longer there".formatted(device.id()))));
  }
}
