package unimotus.desktop.map;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.BusStation;
import unimotus.core.motion.ServoAxis;
import unimotus.core.processdata.DriveImage;
import unimotus.core.processdata.DriveView;
import unimotus.core.processdata.ServoByHand;
import unimotus.core.processdata.StationDesign;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.OperatingMode;
import unimotus.core.profile.WordProfile;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.value.PlacedValue;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.station.CableFields;
import unimotus.devices.connection.DriveConnection;
import unimotus.devices.ethercat.master.Pace;
import unimotus.devices.ethercat.master.StationConnection;
import unimotus.formats.capture.Packet;
import unimotus.workbench.capture.FrameRecorder;
import unimotus.workbench.capture.TelegramRecorder;
import unimotus.workbench.live.AssumedSwitches;
import unimotus.workbench.live.StationStandIns;

/** A drive reached over process data, through the station of the project that leads to it. */
final class StationReach implements Reach {
  /** This program is no real-time controller: the image is exchanged as often as it can keep up. */
  private static final int PERIOD_MICROSECONDS = 5000;

  private final Desk desk;
  private final CableFields fields = new CableFields("live-bus");
  private final TextField watchdog =
      field("live-bus-watchdog", "watchdog of the station in ms", "100", 4);
  private final Label who = Parts.prose("", "ink-label");
  private final Label assumed = Parts.passing("ink-caption");
  private final Label simulated = Parts.prose("", "ink-caption");
  private final VBox node;
  private SimulatedFault wrong = SimulatedFault.NONE;
  private @Nullable StationStandIns standIns;
  private @Nullable DriveView image;
  private OperatingMode mode = OperatingMode.NONE;
  private @Nullable TelegramRecorder telegrams;
  private int position;
  private String fault = "no station leads to this drive";
  private String byHand = "";

  StationReach(Desk desk) {
    this.desk = desk;
    desk.atClose(this::end);
    node =
        new VBox(
            8,
            who,
            fields,
            Parts.flow(
                8,
                Parts.label("watchdog", "ink-label"),
                watchdog,
                Parts.label(
                    "ms without outputs until the station takes none any more", "ink-caption")),
            Parts.flow(
                8,
                Parts.action("live-stations", "Start simulated stations", this::startStations),
                faults(),
                simulated,
                Parts.quiet("live-bus-capture", "write the telegrams", this::writeTelegrams)),
            assumed,
            Parts.prose(
                "A desktop computer is no real-time controller: cycles come late now and then. Fit"
                    + " for a first start, for trying words and references, and for finding faults;"
                    + " not for synchronised motion, and not in the place of the controller.",
                "ink-caption"));
  }

  private static TextField field(String id, String name, String text, int columns) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(name);
    field.setPrefColumnCount(columns);
    return field;
  }

  /** What is wrong with stations that are started next, to try what is seen then. */
  private ChoiceField<SimulatedFault> faults() {
    ChoiceField<SimulatedFault> field =
        new ChoiceField<>(
            "what is wrong with the simulated stations",
            List.of(SimulatedFault.values()),
            SimulatedFault::words,
            f -> wrong = f);
    field.setId("live-stations-fault");
    return field.show(wrong);
  }

  private void end() {
    desk.end(standIns, "the simulated stations");
    standIns = null;
  }

  private void startStations() {
    try {
      end();
      StationStandIns next =
          StationStandIns.start(
              desk.session().project(),
              desk.session().sheets(),
              StationStandIns.udp(0),
              System::nanoTime,
              wrong.at(position, desk.session().project()));
      standIns = next;
      fields.show(next.server().port());
      simulated.setText(
          "%d stations answer at port %d%s."
              .formatted(
                  next.stations().size(),
                  next.server().port(),
                  wrong == SimulatedFault.NONE ? "" : "; wrong: " + wrong.words()));
      assumed.setText(
          AssumedSwitches.of(desk.session().project(), desk.session().sheets()).orElse(""));
      next.stations().stream()
          .filter(s -> s.position() == position && !s.still().isEmpty())
          .findFirst()
          .ifPresent(s -> desk.refuse("no motor behind %s: %s".formatted(s.name(), s.still())));
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  /** The telegrams of the last connection, as a capture. */
  private void writeTelegrams() {
    TelegramRecorder last = telegrams;
    if (last == null) {
      desk.refuse("connect to a station first: no telegram went by yet");
      return;
    }
    desk.dialogs().export("telegrams.pcap").ifPresent(file -> write(last, file));
  }

  /** The telegrams of the last connection; none before the first. */
  List<Packet> packets() {
    TelegramRecorder last = telegrams;
    return last == null ? List.of() : last.packets();
  }

  private void write(TelegramRecorder from, Path file) {
    try {
      desk.say("%d telegrams written to %s".formatted(from.write(file), file.getFileName()));
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  @Override
  public Node node() {
    return node;
  }

  @Override
  public void show(Optional<AxisAssembly> axis) {
    image = null;
    byHand = "";
    if (axis.isEmpty() || axis.get().stations().size() != 1) {
      fault = "exactly one station has to lead to this drive";
      return;
    }
    BusStation station = axis.get().stations().get(0);
    position = desk.session().project().stations().indexOf(station);
    StationDesign design = StationDesign.of(station, axis.get().descriptions());
    if (axis.get().isServo()) {
      byHand(design, axis.get());
    } else {
      Optional<DriveImage> found = DriveImage.of(design);
      fault = found.isEmpty() ? design.obstacle() : found.get().fault().orElse("");
      image = found.orElse(null);
      mode = found.flatMap(DriveImage::mode).orElse(OperatingMode.NONE);
    }
    who.setText(
        "Station %d on the cable, from 0: %s, %s; %s by the last search"
            .formatted(
                position, station.name(), station.type(), desk.live().standing(station).words()));
  }

  /** A positioning axis is taken by hand: its mode is borrowed and put back. */
  private void byHand(StationDesign design, AxisAssembly assembly) {
    Optional<ServoAxis> servo = ServoAxis.of(assembly);
    fault =
        servo
            .map(s -> ServoByHand.fault(design, s).orElse(""))
            .orElseGet(() -> ServoAxis.fault(assembly).orElse("its moves are not entered yet"));
    Optional<ServoByHand> hand = servo.flatMap(s -> ServoByHand.of(design, s));
    image = hand.orElse(null);
    mode = OperatingMode.PROFILE_VELOCITY;
    byHand = hand.map(h -> told(h, servo.get())).orElse("");
  }

  private String told(ServoByHand hand, ServoAxis axis) {
    String hanging =
        axis.load().weightNewtonMetres() == 0
            ? ""
            : axis.brake()
                .map(
                    b ->
                        " Its load is suspended: at a stop the torque goes at once, and it sinks for the %s until the brake has closed."
                            .formatted(
                                desk.units().text(b.closeSeconds(), MeasureUnit.SECOND_UNIT)))
                .orElse(" Its load is suspended and no brake holds it: at a stop it falls.");
    return "Taken by hand it runs in profile velocity mode at %s %s/s at most; on leaving, its mode is put back and nothing is stored. Its controller has to be stopped or out of the cable meanwhile: beside one that runs, nothing is done.%s"
        .formatted(desk.units().format().number(hand.mostSpeed()), axis.unit().symbol(), hanging);
  }

  private DriveView usable() {
    if (image == null || !fault.isEmpty()) {
      throw new IllegalArgumentException(fault);
    }
    return image;
  }

  @Override
  public List<PlacedValue> values() {
    return image == null ? List.of() : image.values();
  }

  @Override
  public boolean isWritable(PlacedValue value) {
    return value.access().isWritable();
  }

  @Override
  public String said() {
    return fault.isEmpty()
        ? "Reads %d values of its station; the first command brings it to OP."
                .formatted(values().size())
            + (byHand.isEmpty() ? "" : " " + byHand)
        : fault + ".";
  }

  @Override
  public String saidJoined() {
    return "Connected, %d values, every %d ms once it is commanded."
        .formatted(values().size(), PERIOD_MICROSECONDS / 1000);
  }

  @Override
  public WordProfile profile() {
    usable();
    return DriveProfiles.cia402(mode);
  }

  @Override
  public DriveConnection connect(FrameRecorder recorder) {
    TelegramRecorder begun = new TelegramRecorder(System::nanoTime);
    telegrams = begun;
    return new StationConnection(
        fields.cable(),
        position,
        usable(),
        new Pace(PERIOD_MICROSECONDS, number("watchdog", watchdog)),
        begun);
  }

  private static int number(String name, TextField field) {
    String text = field.getText().strip();
    try {
      return Integer.parseInt(text);
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException("%s '%s' is no whole number".formatted(name, text));
    }
  }

  @Override
  public String loss(Optional<AxisAssembly> axis) {
    return "the watchdog of the station takes its outputs back; what the motor does then is set in the"
        + " drive.";
  }
}
