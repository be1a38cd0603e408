package unimotus.desktop.stop;

import java.util.List;
import java.util.Locale;
import javafx.css.PseudoClass;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import unimotus.core.stops.StopCircuit;
import unimotus.core.stops.StopEvent;
import unimotus.core.stops.StopOutcome;
import unimotus.core.stops.StopVerdict;
import unimotus.desktop.kit.Parts;

/** Whether the stop stops: the first thing to be seen of it, with what is to blame where not. */
final class VerdictPane extends VBox {
  private static final PseudoClass FAILS = PseudoClass.getPseudoClass("fails");
  private static final PseudoClass OPEN = PseudoClass.getPseudoClass("open");

  /** More than so many devices are counted, not named. */
  private static final int MOST_NAMES = 8;

  private final Label word = Parts.label("", "verdict-word");
  private final Label hint = Parts.prose("", "ink-label");
  private final VBox reasons = Parts.column(2);

  VerdictPane() {
    super(2);
    setId("stop-verdict");
    getStyleClass().add("verdict");
    getChildren().addAll(word, hint, reasons);
  }

  void show(Shown shown) {
    StopVerdict verdict = shown.judged().verdict();
    StopOutcome outcome = verdict.outcome();
    boolean weak = !verdict.weaknesses().isEmpty() || !verdict.resumption().isEmpty();
    word.setText(sentence(outcome.label()) + (weak ? ", with a fault in it" : ""));
    hint.setText(sentence(outcome.hint()) + ". Calculated from the wires as they are drawn.");
    pseudoClassStateChanged(FAILS, outcome == StopOutcome.DOES_NOT_STOP);
    pseudoClassStateChanged(OPEN, weak || outcome != StopOutcome.STOPS);
    reasons.getChildren().clear();
    verdict.because().forEach(b -> reason("Because " + b + "."));
    StopCircuit circuit = shown.circuit();
    if (circuit == null) {
      return;
    }
    if (!verdict.way().isEmpty()) {
      reason("Seen after: %s.".formatted(StopEvent.text(verdict.way(), circuit)));
    }
    verdict.weaknesses().forEach(w -> reason(sentence(w.text()) + "."));
    if (!verdict.resumption().isEmpty()) {
      reason(
          "Motion comes back without a new command: %s."
              .formatted(StopEvent.text(verdict.resumption(), circuit)));
    }
    reasons.getChildren().add(Parts.prose(belongs(circuit), "ink-caption"));
  }

  private void reason(String words) {
    reasons.getChildren().add(Parts.prose(words, "ink-strong"));
  }

  private static String belongs(StopCircuit circuit) {
    String axis = circuit.axis().axis().name() + " ";
    List<String> names = circuit.belongs().stream().map(n -> n.replace(axis, "")).toList();
    String more =
        names.size() > MOST_NAMES ? " and %d more".formatted(names.size() - MOST_NAMES) : "";
    return "Belongs to this stop: %s%s."
        .formatted(String.join(", ", names.subList(0, Math.min(MOST_NAMES, names.size()))), more);
  }

  private static String sentence(String words) {
    return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
  }
}
