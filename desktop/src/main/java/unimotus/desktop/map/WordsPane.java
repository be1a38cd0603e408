package unimotus.desktop.map;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import unimotus.core.profile.DriveProfiles;
import unimotus.core.profile.WordMachine;
import unimotus.core.profile.WordMachine.Intent;
import unimotus.core.profile.WordMachine.Reaction;
import unimotus.core.profile.WordMachine.Step;
import unimotus.core.profile.WordProfile;
import unimotus.core.profile.WordState;
import unimotus.core.profile.Words;
import unimotus.desktop.Desk;
import unimotus.desktop.kit.ChoiceField;
import unimotus.desktop.kit.Parts;

/**
 * Control and status word in both directions: what a number says, what a word does and why it is
 * ignored, and the numbers that do what is wanted.
 */
final class WordsPane extends HBox {
  private final Desk desk;
  private final WordField16 status;
  private final WordField16 control;
  private final Label state = Parts.label("", "ink-big");
  private final Label effect = Parts.prose("", "ink-strong");
  private final Label source = Parts.prose("", "ink-caption");
  private final VBox way = Parts.column(4);
  private final VBox played = Parts.column(2);
  private final ChoiceField<WordProfile> profiles;
  private final List<Reaction> timeline = new ArrayList<>();

  private WordProfile profile = DriveProfiles.CIA_402_VELOCITY;
  private int statusWord;
  private int controlWord;
  private int before;
  private @Nullable Intent wanted;

  WordsPane(Desk desk) {
    super(14);
    this.desk = desk;
    setPadding(new Insets(12, 16, 12, 16));
    status = new WordField16("status-word", this::showStatus, desk::refuse);
    control = new WordField16("control-word", this::send, desk::refuse);
    profiles = new ChoiceField<>("profile", DriveProfiles.all(), WordProfile::name, this::choose);
    profiles.setId("profile");
    profiles.show(profile);
    played.setId("timeline");
    HBox intents = Parts.row(8);
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
            Parts.row(8, Parts.label("Words of", "ink-label"), profiles),
            source,
            Parts.sheet(6, Parts.label("Status word, from the drive", "ink-strong"), status, state),
            Parts.sheet(
                6, Parts.label("Control word, to the drive", "ink-strong"), control, effect));
    VBox right =
        new VBox(
            10,
            Parts.sheet(
                8, Parts.label("What do you want?", "ink-strong"), intents, Parts.scrolling(way)),
            Parts.sheet(
                6,
                Parts.row(
                    8,
                    Parts.label("Words against states", "ink-strong"),
                    Parts.quiet("clear-timeline", "begin anew", this::clear)),
                Parts.scrolling(played)));
    HBox.setHgrow(right, Priority.ALWAYS);
    left.setPrefWidth(560);
    left.setMinWidth(560);
    right.getChildren().forEach(c -> VBox.setVgrow(c, Priority.ALWAYS));
    getChildren().addAll(left, right);
    choose(profile);
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
    source.setText(profile.source());
    status.show(statusWord, profile.statusBits());
    control.show(controlWord, profile.controlBits());
    Optional<WordState> at = profile.shown(statusWord);
    state.setText(at.map(WordState::name).orElse("no state of this profile"));
    effect.setText(
        timeline.isEmpty()
            ? "Press a bit, type a number or say what you want."
            : said(timeline.get(timeline.size() - 1)));
    way.getChildren().clear();
    at.ifPresent(this::drawWay);
    played.getChildren().clear();
    timeline.forEach(r -> played.getChildren().add(Parts.prose(line(r), style(r))));
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
            reaction.isIgnored() ? "  (" + reaction.words() + ")" : "");
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
              Parts.label(
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
    } catch (IllegalArgumentException byItself) {
      way.getChildren().add(Parts.prose(String.valueOf(byItself.getMessage()), "ink-attention"));
    }
  }
}
