package unimotus.desktop.map;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.quantity.MeasureUnit;
import unimotus.core.quantity.QuantityText;
import unimotus.core.value.PlacedValue;
import unimotus.core.value.ValueRole;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.HoldButton;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.QuantityField;
import unimotus.workbench.live.Hand;
import unimotus.workbench.live.LiveLink;
import unimotus.workbench.live.LiveWatch;

/** What is commanded over the bus: who arms, reference, intents, any other value; and the log. */
final class CommandCard extends VBox {
  private static final double LOG_HEIGHT = 120;
  private static final int LOG_LINES = 12;

  /** A hand notices within this time that a motor runs on (common practice). */
  private static final double TIMEOUT_SECONDS = 2;

  /** What the card asks for. */
  interface Asked {
    /** Arms under a name. */
    void arm(String who);

    /** Does something with the link. */
    void command(LiveWatch.Command command);

    /** Runs while a hand holds on. */
    void jog(Intent direction, Hand hand);

    /** A jog is let go. */
    void letGo(Hand hand);
  }

  private final Desk desk;
  private final Asked asked;
  private final TextField who = new TextField();
  private final FlowPane referenceRow = Parts.flow(8);
  private final ChoiceField<String> others =
      new ChoiceField<>("value to write", List.of(), n -> n, n -> {});
  private final TextField other = new TextField("0");
  private final FlowPane otherRow = Parts.flow(8);
  private final VBox log = Parts.column(1);
  private final Label loss = Parts.prose("", "ink-label");
  private final Button timeout =
      Parts.quiet("live-timeout", "set the time-out to 2 s", () -> setTimeout(TIMEOUT_SECONDS));
  private Reach reach;

  CommandCard(Desk desk, Reach reach, Asked asked) {
    super(8);
    this.desk = desk;
    this.asked = asked;
    this.reach = reach;
    getStyleClass().add("sheet");
    others.setId("live-other");
    others.setPrefWidth(170);
    other.setId("live-other-value");
    other.setAccessibleText("value to write");
    other.setPrefColumnCount(5);
    who.setId("live-who");
    who.setAccessibleText("your name");
    who.setPrefColumnCount(12);
    who.setPromptText("your name");
    otherRow
        .getChildren()
        .addAll(
            Parts.label("Any other", "ink-label"),
            others,
            other,
            Parts.action("live-set", "Write", this::set));
    showReference();
    getChildren()
        .addAll(
            Parts.label("Command it", "ink-strong"),
            Parts.prose(
                "Reading is free. Writing needs arming, is logged, and after two minutes without a command control is returned. The machine may move: nobody within reach, stop checked.",
                "ink-label"),
            loss,
            Parts.flow(
                8,
                who,
                Parts.action("live-arm", "Arm", () -> asked.arm(who.getText())),
                Parts.action(
                    "live-hand-back", "Return control", () -> asked.command(LiveLink::handBack))),
            referenceRow,
            intents(),
            Parts.flow(
                8,
                Parts.label("Jog, while held", "ink-label"),
                jog("live-jog-forward", "forward", Intent.START_FORWARD),
                jog("live-jog-reverse", "in reverse", Intent.START_REVERSE),
                Parts.label("at the reference", "ink-label")),
            otherRow,
            Parts.label("Written", "ink-strong"),
            written());
  }

  /** Of one height however much was written: a longer log moves nothing under the pointer. */
  private ScrollPane written() {
    ScrollPane pane = Parts.scrolling(log);
    pane.setMinHeight(LOG_HEIGHT);
    pane.setPrefHeight(LOG_HEIGHT);
    pane.setMaxHeight(LOG_HEIGHT);
    return pane;
  }

  private HoldButton jog(String id, String text, Intent direction) {
    AtomicReference<Hand> held = new AtomicReference<>(new Hand());
    return new HoldButton(
        id,
        text,
        () -> {
          Hand hand = new Hand();
          held.set(hand);
          asked.jog(direction, hand);
        },
        () -> asked.letGo(Objects.requireNonNull(held.get())));
  }

  private FlowPane intents() {
    FlowPane row = Parts.flow(8);
    for (Intent intent : Intent.values()) {
      String id = "live-" + intent.name().toLowerCase(Locale.ROOT).replace('_', '-');
      row.getChildren()
          .add(Parts.action(id, intent.label(), () -> asked.command(l -> l.want(intent))));
    }
    return row;
  }

  /** The name that was given. */
  String who() {
    return who.getText();
  }

  /** Takes the values of another drive. */
  void show(Reach next) {
    reach = next;
    List<String> writable =
        next.values().stream()
            .filter(next::isWritable)
            .filter(e -> e.role() != ValueRole.CONTROL_WORD)
            .filter(e -> e.role() != ValueRole.REFERENCE)
            .map(PlacedValue::name)
            .toList();
    otherRow.setVisible(!writable.isEmpty());
    otherRow.setManaged(!writable.isEmpty());
    if (!others.getItems().equals(writable)) {
      others.getItems().setAll(writable);
      others.show(writable.isEmpty() ? null : writable.get(0));
    }
  }

  /** What a lost laptop does to the machine; offers the drive's own time-out where it has one. */
  void showLoss(String words) {
    loss.setText("Should this program or its cable be lost: " + words);
    boolean offered = timeoutEntry().isPresent();
    timeout.setVisible(offered);
    timeout.setManaged(offered);
  }

  /** The drive's own time-out, where it can be written and is counted in a unit of time. */
  private Optional<PlacedValue> timeoutEntry() {
    return value(ValueRole.LINK_TIMEOUT)
        .filter(e -> e.access().isWritable())
        .filter(e -> ValueRole.LINK_TIMEOUT.isCountedIn(e.unit()));
  }

  private Optional<PlacedValue> value(ValueRole role) {
    return reach.values().stream().filter(v -> v.role() == role).findFirst();
  }

  private void setTimeout(double seconds) {
    timeoutEntry()
        .ifPresent(
            e -> {
              MeasureUnit unit = MeasureUnit.ofSymbol(e.unit().strip()).orElseThrow();
              double value = MeasureUnit.SECOND_UNIT.convert(seconds, unit);
              asked.command(l -> l.set(e, value));
            });
  }

  /** The reference is entered in its own unit. */
  void showReference() {
    String symbol = value(ValueRole.REFERENCE).map(PlacedValue::unit).orElse("Hz");
    MeasureUnit unit = MeasureUnit.ofSymbol(symbol).orElse(MeasureUnit.ONE);
    QuantityField field =
        new QuantityField(
            "reference",
            unit,
            desk::units,
            value -> asked.command(l -> l.reference(value)),
            desk::refuse);
    field.setId("live-reference");
    field.show(0);
    referenceRow.getChildren().setAll(Parts.label("Reference", "ink-label"), field, timeout);
  }

  /** The last lines of what was written. */
  void showWritten(List<String> written) {
    List<Label> lines =
        written.stream()
            .skip(Math.max(0, written.size() - LOG_LINES))
            .map(l -> Parts.prose(l, "ink-caption"))
            .toList();
    log.getChildren().setAll(lines);
  }

  /** Writes a value that is neither word nor reference. */
  private void set() {
    Optional<PlacedValue> entry =
        reach.values().stream()
            .filter(v -> v.name().equals(String.valueOf(others.getValue())))
            .findFirst();
    if (entry.isEmpty()) {
      desk.refuse("choose a value that can be written");
      return;
    }
    String text = other.getText().strip();
    try {
      double value =
          QuantityText.parse(entry.get().name(), text, MeasureUnit.ONE, desk.units().decimalMark())
              .in(MeasureUnit.ONE);
      asked.command(l -> l.set(entry.get(), value));
    } catch (IllegalArgumentException none) {
      desk.refuse(none.getMessage());
    }
  }
}
