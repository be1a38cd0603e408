package unimotus.core.proof;

import static unimotus.core.proof.Part.MECHANICS;
import static unimotus.core.proof.Part.MOTOR;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import unimotus.core.path.SignalPath;
import unimotus.core.path.SpeedLink;
import unimotus.core.path.Station;

/** What is seen of an axis when a command has reached its drive, by what the axis is told. */
final class Outcomes {
  private final SignalPath path;
  private final ReadableLink link;
  private final double received;
  private final Set<Part> moved = EnumSet.of(MECHANICS);

  private Outcomes(SignalPath path, double received) {
    this.path = path;
    this.link = ReadableLink.of(path);
    this.received = received;
    if (path.hasMotor()) {
      moved.add(MOTOR);
    }
    moved.addAll(link.parts());
  }

  /**
   * What is read at the end of a path, in the order of the signal.
   *
   * @param received the number whose command the drive receives
   */
  static List<LinkReading> of(SignalPath path, double received) {
    Outcomes outcomes = new Outcomes(path, received);
    return switch (path.commands()) {
      case SPEED -> outcomes.speeds(path.speedFor("a speed"));
      case POSITION -> outcomes.positions();
      case PROCESS_VALUE -> outcomes.processValue();
    };
  }

  private List<LinkReading> speeds(SpeedLink speed) {
    double hertz = path.value(Station.FREQUENCY, received);
    double setting = link.settingShare();
    double shaft =
        Tolerances.shaft(path.motor().topRpm(), path.motor().lagRpm(hertz))
            + setting * path.motor().topRpm();
    return List.of(
        new LinkReading(
            Station.FREQUENCY,
            hertz,
            Tolerances.frequency(speed.maximumHertz()) + setting * speed.maximumHertz(),
            "frequency on the display",
            "drive's display",
            "drive's display",
            link.parts()),
        reading(Station.SHAFT, shaft, "speed of the motor shaft", "motor shaft", "hand tachometer"),
        reading(
            Station.MACHINE,
            Tolerances.machine(path.mechanics().machine(shaft)),
            "speed of the machine",
            "machine",
            "tachometer or tape and watch"));
  }

  private List<LinkReading> positions() {
    List<LinkReading> all = new ArrayList<>();
    if (path.has(Station.SHAFT)) {
      all.add(
          reading(
              Station.SHAFT,
              position(Station.SHAFT),
              "turns of the motor shaft",
              "motor shaft",
              "mark on the shaft"));
    }
    all.add(
        reading(
            Station.MACHINE,
            position(Station.MACHINE),
            "position of the machine",
            "machine",
            "rule or angle scale"));
    return all;
  }

  private double position(Station station) {
    return Tolerances.position(path.value(station, received), span(station), path.step(station));
  }

  private List<LinkReading> processValue() {
    moved.clear();
    moved.addAll(link.parts());
    return List.of(
        reading(
            Station.MACHINE,
            Tolerances.gauge(span(Station.MACHINE), path.step(Station.MACHINE)),
            "process value",
            "process",
            "gauge of the plant"));
  }

  private LinkReading reading(
      Station station, double tolerance, String title, String where, String instrument) {
    return new LinkReading(
        station, path.value(station, received), tolerance, title, where, instrument, moved);
  }

  private double span(Station station) {
    return Math.abs(
        path.value(station, path.scale().most()) - path.value(station, path.scale().least()));
  }
}
