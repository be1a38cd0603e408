package unimotus.desktop.map;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.fieldbus.Notation;
import unimotus.core.fieldbus.RegisterEntry;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.profile.Words;
import unimotus.core.quantity.MeasureUnit;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Plot;
import unimotus.desktop.kit.QuantityField;
import unimotus.devices.drive.DriveRegisters;
import unimotus.devices.modbus.Troubles;
import unimotus.workbench.LiveLink;
import unimotus.workbench.LiveLink.NotDone;
import unimotus.workbench.LiveLink.Sample;
import unimotus.workbench.StandIns;

/** A drive on the bus: looked at freely, commanded while armed. */
final class LivePane extends HBox {
  private static final int POLL_MILLISECONDS = 200;
  private static final int KEPT_SAMPLES = 300;
  private static final int LOG_LINES = 12;
  private static final int LATE_MILLISECONDS = 400;
  private static final int LIE_EVERY = 5;

  private final Desk desk;
  private final ScheduledExecutorService line =
      Executors.newSingleThreadScheduledExecutor(
          r -> {
            Thread thread = new Thread(r, "live-link");
            thread.setDaemon(true);
            return thread;
          });
  private final TextField host = new TextField("127.0.0.1");
  private final TextField port = new TextField("502");
  private final TextField unit = new TextField("1");
  private final TextField who = new TextField();
  private final QuantityField reference;
  private final ChoiceField<WordProfile> profiles;
  private final Label state = Parts.label("not joined", "ink-big");
  private final Label trouble = Parts.prose("", "ink-attention");
  private final GridPane values = new GridPane();
  private final VBox log = Parts.column(1);
  private final VBox standInList = Parts.column(1);
  private final Plot trend = new Plot("Output frequency", "s", "Hz");
  private final Deque<double[]> samples = new ArrayDeque<>();

  private WordProfile profile = DriveProfiles.CIA_402_VELOCITY;

  /** Looked at by the line's own thread too. */
  private volatile @Nullable LiveLink link;

  private @Nullable StandIns standIns;
  private long begun;

  LivePane(Desk desk) {
    super(14);
    this.desk = desk;
    setPadding(new Insets(12, 16, 12, 16));
    profiles = new ChoiceField<>("words", DriveProfiles.all(), WordProfile::name, p -> profile = p);
    profiles.setId("live-profile");
    profiles.show(profile);
    reference =
        new QuantityField(
            "frequency reference",
            MeasureUnit.HERTZ_UNIT,
            desk::units,
            hertz -> command(l -> l.reference(hertz)),
            desk::refuse);
    reference.setId("live-reference");
    reference.show(0);
    name(host, "live-host", 11);
    name(port, "live-port", 5);
    name(unit, "live-unit", 3);
    name(who, "live-who", 12);
    who.setPromptText("your name");
    values.setHgap(16);
    values.setVgap(4);
    Runtime.getRuntime().addShutdownHook(new Thread(this::stopAtTheEnd, "live-end"));
    trend.setPrefHeight(220);
    trend.setMinHeight(140);
    VBox.setVgrow(trend, Priority.ALWAYS);
    getChildren().addAll(left(), right());
  }

  private static void name(TextField field, String id, int columns) {
    field.setId(id);
    field.setAccessibleText(id.replace('-', ' '));
    field.setPrefColumnCount(columns);
  }

  private VBox left() {
    VBox join =
        Parts.sheet(
            8,
            Parts.label("Where", "ink-strong"),
            Parts.row(
                8,
                host,
                Parts.label("port", "ink-label"),
                port,
                Parts.label("unit", "ink-label"),
                unit),
            Parts.row(
                8,
                profiles,
                Parts.primary("live-join", "Join", this::join),
                Parts.quiet("live-leave", "leave", this::leave)),
            Parts.row(
                8, Parts.action("live-stand-ins", "Start stand-ins of this line", this::standIns)),
            standInList);
    HBox intents = Parts.row(8);
    for (Intent intent : Intent.values()) {
      intents
          .getChildren()
          .add(
              Parts.action(
                  "live-" + intent.name().toLowerCase(Locale.ROOT).replace('_', '-'),
                  intent.label(),
                  () -> command(l -> l.want(intent))));
    }
    VBox act =
        Parts.sheet(
            8,
            Parts.label("Command it", "ink-strong"),
            Parts.prose(
                "Reading is free. Writing needs arming, is logged, and after two minutes without a command the drive is handed back. The machine may move: nobody within reach, the stop proved.",
                "ink-label"),
            Parts.row(8, who, Parts.action("live-arm", "Arm", this::arm)),
            Parts.row(8, Parts.label("Reference", "ink-label"), reference),
            intents,
            Parts.row(
                8,
                Parts.action("live-hand-back", "Hand it back", () -> command(LiveLink::handBack))),
            Parts.label("Written", "ink-strong"),
            Parts.scrolling(log));
    VBox.setVgrow(act, Priority.ALWAYS);
    VBox left = new VBox(12, join, act);
    left.setPrefWidth(500);
    left.setMinWidth(500);
    return left;
  }

  private VBox right() {
    VBox right = Parts.sheet(8, state, trouble, values, trend);
    HBox.setHgrow(right, Priority.ALWAYS);
    return right;
  }

  /** Something that waits for the drive. */
  private interface Command {
    void on(LiveLink link) throws NotDone;
  }

  private void join() {
    leave();
    try {
      LiveLink.Target target =
          new LiveLink.Target(host.getText().strip(), number("port", port), number("unit", unit));
      LiveLink next = new LiveLink(target, profile, desk.clock());
      link = next;
      samples.clear();
      begun = System.nanoTime();
      line.execute(() -> poll(next));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  private static int number(String name, TextField field) {
    try {
      return Integer.parseInt(field.getText().strip());
    } catch (NumberFormatException e) {
      throw new IllegalArgumentException(
          "%s '%s' is no whole number".formatted(name, field.getText().strip()));
    }
  }

  private void leave() {
    LiveLink old = link;
    link = null;
    desk.armed().set(null);
    state.setText("not joined");
    trouble.setText("");
    if (old != null) {
      line.execute(() -> left(old));
    }
  }

  /** A drive that is commanded from here is handed back before it is left. */
  private void left(LiveLink old) {
    try (old) {
      if (old.isArmed()) {
        old.handBack();
      }
    } catch (NotDone | IOException gone) {
      Platform.runLater(
          () -> desk.refuse("NOT HANDED BACK, use the machine's own stop: " + gone.getMessage()));
    }
  }

  /** The program ends, however it ends: an armed drive is not left running. */
  private void stopAtTheEnd() {
    LiveLink now = link;
    if (now != null && now.isArmed()) {
      try {
        now.stop();
      } catch (NotDone gone) {
        System.err.println(
            "unimotus: NOT STOPPED, use the machine's own stop: " + gone.getMessage());
      }
    }
  }

  private void poll(LiveLink polled) {
    if (polled != link) {
      return;
    }
    try {
      if (polled.expire()) {
        Platform.runLater(
            () -> desk.refuse("two minutes without a command: the drive is handed back"));
      }
      Sample sample = polled.read();
      Platform.runLater(() -> show(polled, sample));
    } catch (NotDone silent) {
      Platform.runLater(() -> trouble.setText(silent.getMessage()));
    }
    line.schedule(() -> poll(polled), POLL_MILLISECONDS, TimeUnit.MILLISECONDS);
  }

  private void show(LiveLink from, Sample sample) {
    if (from != link) {
      return;
    }
    trouble.setText("");
    state.setText(sample.state().map(WordState::name).orElse("no state of this profile"));
    values.getChildren().clear();
    int row = 0;
    for (DriveRegisters register : DriveRegisters.values()) {
      RegisterEntry entry = register.entry();
      boolean word = entry.unit().isEmpty();
      double value = sample.value(register);
      values.addRow(
          row++,
          Parts.label(Notation.FIVE_DIGITS.write(entry.table(), entry.address()), "ink-caption"),
          Parts.label(entry.name(), "ink-label"),
          Parts.label(
              word
                  ? "%s  (%.0f)".formatted(Words.hex((int) value), value)
                  : "%s %s".formatted(desk.units().format().number(value), entry.unit()),
              "ink-strong"));
    }
    List<String> written = from.log();
    log.getChildren().clear();
    written.stream()
        .skip(Math.max(0, written.size() - LOG_LINES))
        .forEach(l -> log.getChildren().add(Parts.prose(l, "ink-caption")));
    // Asked now and not when it was read: it may have been armed meanwhile.
    if (!from.isArmed()) {
      desk.armed().set(null);
    }
    trend(sample.value(DriveRegisters.OUTPUT));
  }

  private void trend(double hertz) {
    samples.addLast(new double[] {(System.nanoTime() - begun) / 1e9, hertz});
    if (samples.size() > KEPT_SAMPLES) {
      samples.removeFirst();
    }
    List<double[]> kept = List.copyOf(samples);
    double from = kept.get(0)[0];
    double to = Math.max(from + 10, kept.get(kept.size() - 1)[0]);
    double top = kept.stream().mapToDouble(s -> s[1]).max().orElse(0);
    double low = kept.stream().mapToDouble(s -> s[1]).min().orElse(0);
    trend.show(
        List.of(
            new Plot.Series(
                "output",
                "plot-measured-line",
                kept.size(),
                i -> kept.get(i)[0],
                i -> kept.get(i)[1])),
        from,
        to,
        Math.min(0, 1.1 * low),
        Math.max(10, 1.1 * top));
  }

  private void arm() {
    LiveLink now = link;
    if (now == null) {
      desk.refuse("join a drive first");
      return;
    }
    try {
      now.arm(who.getText());
      desk.armed().set(new Desk.Armed(now.target().toString(), () -> stop(now)));
    } catch (IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }

  /** On a thread of its own: it waits for nothing that is under way. */
  private void stop(LiveLink now) {
    Thread thread = new Thread(() -> stopped(now), "live-stop");
    thread.setDaemon(true);
    thread.start();
  }

  private void stopped(LiveLink now) {
    try {
      now.stop();
      Platform.runLater(
          () -> {
            desk.armed().set(null);
            desk.say("stop word written to " + now.target());
          });
    } catch (NotDone e) {
      Platform.runLater(
          () -> desk.refuse("NOT STOPPED, use the machine's own stop: " + e.getMessage()));
    }
  }

  private void command(Command command) {
    LiveLink now = link;
    if (now == null) {
      desk.refuse("join a drive first");
      return;
    }
    line.execute(
        () -> {
          try {
            command.on(now);
            Platform.runLater(() -> desk.say(""));
          } catch (NotDone e) {
            Platform.runLater(() -> desk.refuse(e.getMessage()));
          }
        });
  }

  /** How the stand-ins misbehave, to see what the controller's side makes of it. */
  private static HBox troubles(StandIns standIns) {
    return Parts.row(
        4,
        Parts.label("they", "ink-label"),
        Parts.quiet(
            "trouble-late",
            "answer late",
            () -> standIns.server().misbehave(new Troubles(LATE_MILLISECONDS, 0, 0))),
        Parts.quiet(
            "trouble-silent",
            "fall silent",
            () -> standIns.server().misbehave(new Troubles(0, 1, 0))),
        Parts.quiet(
            "trouble-lying",
            "lie now and then",
            () -> standIns.server().misbehave(new Troubles(0, 0, LIE_EVERY))),
        Parts.quiet("trouble-none", "behave", () -> standIns.server().misbehave(Troubles.NONE)));
  }

  private void standIns() {
    try {
      if (standIns != null) {
        standIns.close();
      }
      StandIns next =
          StandIns.start(
              desk.session().project(), desk.session().sheets(), 0, profile, System::nanoTime);
      standIns = next;
      host.setText("127.0.0.1");
      port.setText(String.valueOf(next.server().port()));
      standInList.getChildren().setAll(troubles(next));
      for (StandIns.Placed placed : next.units()) {
        standInList
            .getChildren()
            .add(
                Parts.row(
                    8,
                    Parts.label(
                        "unit %d: %s, %s".formatted(placed.number(), placed.axis(), placed.drive()),
                        "ink-label"),
                    Parts.quiet(
                        "provoke-" + placed.number(),
                        "provoke a fault",
                        () -> placed.unit().provoke(3))));
        if (desk.axis().filter(a -> a.name().equals(placed.axis())).isPresent()) {
          unit.setText(String.valueOf(placed.number()));
        }
      }
    } catch (IOException | IllegalArgumentException e) {
      desk.refuse(e.getMessage());
    }
  }
}
