package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.FieldbusLink;
import unimotus.core.processdata.StationWords;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.ManualWords;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Reaction;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.profile.Words;
import unimotus.core.review.AxisReview;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;
import unimotus.desktop.kit.Sides;
import unimotus.workbench.SetUpEdits;

/**
 * Control and status word in both directions: what a number says, what a word does and why it is
 * ignored, and the numbers that do what is wanted.
 */
final class WordsPane extends HBox {
  private static final double LEAST_WORDS = 556;
  private static final double LEAST_SIDE = 240;
  private static final double SIDE = 620;
  private static final double PROFILES_WIDTH = 410;

  private final Desk desk;
  private final WordField16 status;
  private final WordField16 control;
  private final Label state = Parts.label("", "ink-big");
  private final Label mode = Parts.prose("", "ink-strong");
  private final Label effect = Parts.prose("", "ink-strong");
  private final Label source = Parts.prose("", "ink-caption");
  private final VBox way = Parts.column(4);
  private final VBox played = Parts.column(2);
  private final PermissionCard permission;
  private final ChoiceField<String> profiles;
  private final ManualWordsPane manual;
  private final Sides reading;
  private final List<Reaction> timeline = new ArrayList<>();

  private WordProfile profile = DriveProfiles.CIA_402_VELOCITY;
  private int statusWord;
  private int controlWord;
  private int before;
  private @Nullable Intent wanted;
  private String shownAxis = "";

  WordsPane(Desk desk) {
    super(14);
    this.desk = desk;
    setPadding(new Insets(12, 16, 12, 16));
    status = new WordField16("status-word", this::showStatus, desk::refuse);
    control = new WordField16("control-word", this::send, desk::refuse);
    permission = new PermissionCard(desk);
    List<String> offered = new ArrayList<>();
    DriveProfiles.all().forEach(p -> offered.add(p.name()));
    offered.add(ManualWords.NAME);
    profiles = new ChoiceField<>("profile", offered, n -> n, this::chosen);
    profiles.setId("profile");
    profiles.setPrefWidth(PROFILES_WIDTH);
    profiles.show(profile.name());
    manual = new ManualWordsPane(this::entered, this::turn);
    manual.setId("manual-words");
    HBox.setHgrow(manual, Priority.ALWAYS);
    played.setId("timeline");
    FlowPane intents = Parts.flow(8);
    for (Intent intent : Intent.values()) {
      intents
          .getChildren()
          .add(
              Parts.action(
                  "want-" + intent.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'),
                  intent.label(),
                  () -> want(intent)));
    }
    VBox left =
        new VBox(
            10,
            Parts.flow(
                8,
                Parts.label("Words of", "ink-label"),
                profiles,
                Parts.quiet("edit-words", "bit by bit from a manual", this::turn)),
            source,
            Parts.sheet(
                6, Parts.label("Status word, from the drive", "ink-strong"), status, state, mode),
            Parts.sheet(
                6, Parts.label("Control word, to the drive", "ink-strong"), control, effect));
    VBox right =
        new VBox(
            10,
            Parts.sheet(8, Parts.label("Command", "ink-strong"), intents, Parts.scrolling(way)),
            permission,
            Parts.sheet(
                6,
                Parts.row(
                    8,
                    Parts.label("Words against states", "ink-strong"),
                    Parts.quiet("clear-timeline", "start over", this::clear)),
                Parts.scrolling(played)));
    right.getChildren().forEach(c -> VBox.setVgrow(c, Priority.ALWAYS));
    reading = new Sides(left, right, LEAST_WORDS, LEAST_SIDE, SIDE);
    HBox.setHgrow(reading, Priority.ALWAYS);
    getChildren().add(reading);
    choose(profile);
  }

  /** Takes the words of the axis that is shown; what is played on them stays as long as they do. */
  void refresh() {
    Optional<FieldbusLink> link = link();
    permission.refresh();
    if (isEditing()) {
      manual.show(link.map(FieldbusLink::words).orElse(ManualWords.NONE));
    }
    String axis = String.valueOf(desk.axisId().get());
    Optional<WordProfile> ofStation =
        desk.review().map(AxisReview::assembly).flatMap(StationWords::of);
    WordProfile next =
        ofStation
            .or(() -> link.flatMap(FieldbusLink::usableProfile))
            .orElse(DriveProfiles.CIA_402_VELOCITY);
    if (!axis.equals(shownAxis) || !next.equals(profile)) {
      shownAxis = axis;
      profiles.show(
          ofStation.isPresent()
              ? next.name()
              : link.map(FieldbusLink::profile).orElse(next.name()));
      choose(next);
    }
  }

  private Optional<FieldbusLink> link() {
    return desk.review().map(AxisReview::assembly).map(a -> a.record().fieldbus());
  }

  private void chosen(String name) {
    if (link().isPresent()) {
      change("set words of the drive", f -> f.withProfile(name));
    } else {
      DriveProfiles.all().stream()
          .filter(p -> p.name().equals(name))
          .findFirst()
          .ifPresent(this::choose);
    }
    boolean incomplete = name.equals(ManualWords.NAME) && !profile.name().equals(name);
    if (incomplete && !isEditing()) {
      turn();
    }
  }

  private void entered(ManualWords words) {
    change("enter words of the drive", f -> f.withWords(words));
  }

  private void change(String what, UnaryOperator<FieldbusLink> change) {
    Optional<AxisAssembly> axis = desk.review().map(AxisReview::assembly);
    if (axis.isPresent()) {
      desk.apply(SetUpEdits.fieldbus(axis.get().drive().id(), what, change));
    } else {
      desk.refuse("choose an axis that has a drive: the words are saved with it");
    }
  }

  private boolean isEditing() {
    return getChildren().contains(manual);
  }

  /** The bits take the place of what is tried out, or give it back. */
  private void turn() {
    boolean editing = isEditing();
    if (editing) {
      getChildren().setAll(reading);
    } else {
      getChildren().setAll(manual);
      manual.show(link().map(FieldbusLink::words).orElse(ManualWords.NONE));
    }
  }

  private void choose(WordProfile next) {
    profile = next;
    WordState first =
        next.transitions().stream()
            .filter(t -> t.command() == null)
            .map(t -> next.state(t.to()))
            .findFirst()
            .orElse(next.states().get(0));
    statusWord = first.value();
    clear();
  }

  private void clear() {
    controlWord = 0;
    before = 0;
    wanted = null;
    timeline.clear();
    draw();
  }

  private void showStatus(int word) {
    statusWord = word;
    draw();
  }

  /** A word that is sent meets the state the status word shows; the drive answers in thought. */
  private void send(int word) {
    Optional<WordState> at = profile.shown(statusWord);
    before = controlWord;
    controlWord = word;
    at.ifPresent(
        s -> {
          Reaction reaction = new WordMachine(profile).react(s, word, before);
          timeline.add(reaction);
          if (!reaction.isIgnored()) {
            statusWord = statusWord & ~s.mask() & ~reaction.to().mask() | reaction.to().value();
          }
        });
    draw();
  }

  private void want(Intent intent) {
    wanted = intent;
    draw();
  }

  private void draw() {
    source.setText(
        link()
            .flatMap(FieldbusLink::profileFault)
            .map(f -> "%s. Shown with %s instead.".formatted(f, profile.name()))
            .orElse(profile.source()));
    status.show(statusWord, profile.statusBits());
    control.show(controlWord, profile.controlBits());
    Optional<WordState> at = profile.shown(statusWord);
    state.setText(at.map(WordState::name).orElse("no state of this profile"));
    Optional<String> told = at.isPresent() ? profile.mode().told(statusWord) : Optional.empty();
    mode.setText(told.orElse(""));
    mode.setVisible(told.isPresent());
    mode.setManaged(told.isPresent());
    effect.setText(
        timeline.isEmpty()
            ? "Click a bit, type a number or choose a command."
            : said(timeline.get(timeline.size() - 1)));
    way.getChildren().clear();
    at.ifPresent(this::drawWay);
    played.getChildren().clear();
    timeline.forEach(r -> played.getChildren().add(Parts.prose(line(r), style(r))));
    if (timeline.isEmpty()) {
      played
          .getChildren()
          .add(
              Parts.prose(
                  "No word sent yet. Each word that is sent is listed here with the state it leads to, or why it is ignored.",
                  "ink-label"));
    }
  }

  private static String style(Reaction reaction) {
    return reaction.isIgnored() ? "ink-attention" : "ink-sum";
  }

  private static String said(Reaction reaction) {
    return "%s in %s: %s"
        .formatted(Words.hex(reaction.word()), reaction.from().name(), reaction.words());
  }

  private static String line(Reaction reaction) {
    String commands =
        reaction.commands().isEmpty() ? "no command" : String.join(" + ", reaction.commands());
    return "%s  %s  →  %s%s"
        .formatted(
            Words.hex(reaction.word()),
            commands,
            reaction.to().name(),
            reaction.taken().isEmpty() ? "  (" + reaction.words() + ")" : "");
  }

  private void drawWay(WordState at) {
    Intent intent = wanted;
    if (intent == null) {
      return;
    }
    try {
      List<Step> steps = new WordMachine(profile).way(at, intent, controlWord);
      way.getChildren()
          .add(
              Parts.prose(
                  steps.isEmpty()
                      ? "Nothing to send: it is so already."
                      : "To %s send, one after the other:".formatted(intent.label()),
                  "ink-label"));
      int number = 1;
      for (Step step : steps) {
        boolean next = number == 1;
        Label words =
            Parts.prose(
                "%d  %s  %s, then wait for %s"
                    .formatted(number, Words.hex(step.word()), step.command(), step.then().name()));
        HBox row = Parts.row(8, words);
        if (next) {
          row.getChildren().add(Parts.quiet("send-next", "send it", () -> send(step.word())));
        }
        way.getChildren().add(row);
        number++;
      }
      boolean starts = intent == Intent.START_FORWARD || intent == Intent.START_REVERSE;
      if (starts && !profile.mode().afterwards().isEmpty()) {
        way.getChildren().add(Parts.prose(profile.mode().afterwards(), "ink-label"));
      }
    } catch (IllegalArgumentException byItself) {
      way.getChildren().add(Parts.prose(String.valueOf(byItself.getMessage()), "ink-attention"));
    }
  }
}
