package unimotus.desktop.map;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Reading;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.LiveState;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.devices.connection.NotDone;
import unimotus.formats.capture.Packet;
import unimotus.workbench.Edits;
import unimotus.workbench.Evidence;
import unimotus.workbench.capture.Frame;
import unimotus.workbench.capture.FrameRecorder;
import unimotus.workbench.live.BusReadings;
import unimotus.workbench.live.Hand;
import unimotus.workbench.live.LiveLink;
import unimotus.workbench.live.LiveWatch;
import unimotus.workbench.live.ReferenceLimit;
import unimotus.workbench.live.Sample;

/** A drive on the bus: looked at freely, commanded while armed. */
final class LivePane extends HBox {
  private static final int POLL_MILLISECONDS = 200;
  private static final int STEADY_SAMPLES = 6;

  private static final double LEAST_COMMANDS = 560;
  private static final double LEAST_READOUT = 240;
  private static final double READOUT = 700;
  private final Desk desk;
  private final RegisterReach registers;
  private final StationReach stations;
  private final VBox reaching = Parts.column(8);
  private final Label mapSaid = Parts.prose("", "ink-caption");
  private final CommandCard command;
  private final ReadoutSheet readout;
  private final SettingsReading settings;
  private Reach reach;
  private @Nullable LiveWatch watch;
  private Joined joined = Joined.NONE;
  private final LiveStop stopping;
  private FrameRecorder recorder = new FrameRecorder(System::nanoTime);

  /** The last second and a bit. */
  private final Deque<Sample> recent = new ArrayDeque<>();

  LivePane(Desk desk) {
    super(14);
    this.desk = desk;
    this.stopping = new LiveStop(desk);
    setPadding(new Insets(12, 16, 12, 16));
    registers = new RegisterReach(desk);
    stations = new StationReach(desk);
    reach = registers;
    command = new CommandCard(desk, reach, new Asked());
    settings = new SettingsReading(desk, () -> Optional.ofNullable(watch), () -> command.who());
    readout =
        new ReadoutSheet(
            desk,
            new VBox(
                6,
                Parts.column(
                    3,
                    Parts.action("live-record", "Record as readings", this::record),
                    Parts.prose(
                        "of the proof: frequency and shaft speed, under your name", "ink-label")),
                settings));
    Sides sides = new Sides(left(), readout, LEAST_COMMANDS, LEAST_READOUT, READOUT);
    HBox.setHgrow(sides, Priority.ALWAYS);
    getChildren().add(sides);
    desk.atClose(this::leave);
  }

  /** Where a drive is, for others who look for it. */
  RouteFields where() {
    return registers.where();
  }

  /** The packets of the last connection to a station. */
  List<Packet> telegrams() {
    return stations.packets();
  }

  /** The frames of the last link. */
  List<Frame> frames() {
    return recorder.frames();
  }

  /** Takes map and words of the axis that is shown. */
  void refresh() {
    if (watch != null) {
      mapSaid.setText(joinedWords());
      return;
    }
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    reach = axis.filter(a -> !a.stations().isEmpty()).isPresent() ? stations : registers;
    reach.show(axis);
    if (!reaching.getChildren().contains(reach.node())) {
      reaching.getChildren().setAll(reach.node());
    }
    mapSaid.setText(reach.said());
    command.show(reach);
    command.showReference();
    command.showLoss(reach.loss(axis));
  }

  /** Which drive is joined, and that its values are those it was joined with. */
  private String joinedWords() {
    boolean here = joined.axis().equals(String.valueOf(desk.axisId().get()));
    return here
        ? reach.saidJoined()
        : "Connected to the drive of %s. Disconnect before you connect to another."
            .formatted(joined.name());
  }

  private ScrollPane left() {
    VBox join =
        Parts.sheet(
            8,
            Parts.label("Where", "ink-strong"),
            reaching,
            Parts.flow(
                8,
                Parts.primary("live-join", "Connect", this::join),
                Parts.quiet("live-leave", "disconnect", this::leave)),
            mapSaid);
    VBox.setVgrow(command, Priority.ALWAYS);
    // With many stand-ins or a serial port it may be higher than the window.
    ScrollPane left = Parts.scrolling(new VBox(12, join, command));
    left.setFitToHeight(true);
    return left;
  }

  private void join() {
    leave();
    try {
      recorder = new FrameRecorder(System::nanoTime);
      LiveLink link =
          new LiveLink(
              reach.connect(recorder),
              reach.profile(),
              new LiveLink.Times(desk.clock(), System::nanoTime),
              desk.review()
                  .map(AxisReview::assembly)
                  .map(ReferenceLimit::of)
                  .orElse(ReferenceLimit.NONE));
      readout.begin();
      command.showReference();
      LiveWatch next =
          new LiveWatch(
              link,
              POLL_MILLISECONDS,
              new WatchTold(desk, readout, this::isShown, this::show, link));
      watch = next;
      joined =
          new Joined(
              String.valueOf(desk.axisId().get()),
              desk.review().map(r -> r.axis().name()).orElse("no axis"));
      settings.begin(desk.review().map(AxisReview::assembly).orElse(null));
      mapSaid.setText(joinedWords());
      desk.live().stopWith(() -> stopping.stop(link));
      next.command(this::identify);
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private void identify(LiveLink link) {
    try {
      String words = String.join(", ", link.identity());
      Platform.runLater(() -> readout.tellWho(words));
    } catch (NotDone silent) {
      Platform.runLater(() -> readout.tellWho("does not identify itself"));
    }
  }

  private boolean isShown(LiveLink link) {
    LiveWatch now = watch;
    return now != null && now.link() == link;
  }

  private void leave() {
    LiveWatch old = watch;
    watch = null;
    joined = Joined.NONE;
    recent.clear();
    desk.live().armed().set(null);
    desk.live().stopWith(null);
    settings.begin(null);
    readout.begin();
    if (old != null) {
      old.close();
    }
    refresh();
  }

  private void show(LiveLink from, Sample sample) {
    recent.addLast(sample);
    if (recent.size() > STEADY_SAMPLES) {
      recent.removeFirst();
    }
    readout.show(from, sample);
    command.showWritten(from.log());
    // Asked now and not when it was read: it may have been armed meanwhile.
    if (!from.isArmed()) {
      desk.live().armed().set(null);
    }
  }

  private void record() {
    LiveWatch now = watch;
    Sample sample = recent.peekLast();
    Optional<Evidence> evidence = desk.evidence();
    if (now == null || sample == null) {
      desk.refuse("connect to a drive first");
      return;
    }
    if (!joined.axis().equals(desk.axisId().get())) {
      desk.refuse(
          "what is read belongs to %s: go to that axis to record it".formatted(joined.name()));
      return;
    }
    if (evidence.filter(e -> e.axis().isServo()).isPresent()) {
      desk.refuse(
          "positions are proved at the load and recorded at Prove; what the drive shows of them is its own count");
      return;
    }
    if (evidence.isEmpty()) {
      desk.refuse("this axis has no predictions yet: nothing to hold a reading against");
      return;
    }
    try {
      List<Reading> readings =
          new BusReadings(evidence.get())
              .of(recent.getFirst(), sample, now.link().where(), command.who(), desk.clock());
      readings.forEach(r -> desk.apply(Edits.reading(r)));
      desk.say(
          "recorded: " + String.join(", ", readings.stream().map(Reading::prediction).toList()));
    } catch (IllegalArgumentException nothing) {
      desk.refuse(nothing.getMessage());
    }
  }

  private void arm(String who) {
    LiveWatch now = watch;
    if (now == null) {
      desk.refuse("connect to a drive first");
      return;
    }
    try {
      LiveLink link = now.link();
      link.arm(who);
      desk.live().armed().set(new LiveState.Armed("%s, %s".formatted(joined.name(), link.where())));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  /** What the card of the commands asks for. */
  private final class Asked implements CommandCard.Asked {
    @Override
    public void arm(String who) {
      LivePane.this.arm(who);
    }

    @Override
    public void jog(Intent direction, Hand hand) {
      command(l -> l.jog(direction, hand));
    }

    @Override
    public void letGo(Hand hand) {
      hand.letGo();
      LiveWatch now = watch;
      if (now != null) {
        Thread thread = new Thread(() -> stopping.jogEnds(now.link(), hand), "live-jog-ends");
        thread.setDaemon(true);
        thread.start();
      }
    }

    @Override
    public void command(LiveWatch.Command wanted) {
      LiveWatch now = watch;
      if (now == null) {
        desk.refuse("connect to a drive first");
      } else {
        now.command(wanted);
      }
    }
  }
}
