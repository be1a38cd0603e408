package unimotus.core.plant;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import unimotus.core.finding.Finding;
import unimotus.core.finding.Rule;
import unimotus.core.finding.Severity;
import unimotus.core.machine.AxisAssembly;
import unimotus.core.machine.Condition;
import unimotus.core.machine.Intent;
import unimotus.core.machine.Project;
import unimotus.core.machine.Response;
import unimotus.core.machine.SequenceDesign;
import unimotus.core.machine.TerminalRef;
import unimotus.core.motion.StepAxis;
import unimotus.core.sequence.Sequence;
import unimotus.core.sequence.SequenceChecks;
import unimotus.core.sequence.SequenceDoubt;
import unimotus.core.sequence.SequenceText;
import unimotus.core.sheet.Meaning;
import unimotus.core.sheet.PartSheet;
import unimotus.core.sheet.SheetCatalogue;
import unimotus.core.sheet.Terminal;
import unimotus.core.sheet.TerminalRole;
import unimotus.core.wiring.Installation;
import unimotus.core.wiring.Meanings;

/** What is wrong with the sequences of a line, and with the switches that they rely on. */
public final class SequenceFindings {
  private static final String SEQUENCE = "sequence ";

  private final Project project;
  private final SheetCatalogue sheets;
  private final Map<String, List<Finding>> found = new HashMap<>();

  private SequenceFindings(Project project, SheetCatalogue sheets) {
    this.project = project;
    this.sheets = sheets;
  }

  /**
   * Findings by the id of their axis; axes without any are left out.
   *
   * @param axes the axes that can be looked at, in the line's order
   */
  public static Map<String, List<Finding>> of(
      Project project, SheetCatalogue sheets, List<AxisAssembly> axes) {
    SequenceFindings findings = new SequenceFindings(project, sheets);
    axes.forEach(findings::axis);
    if (!project.sequences().isEmpty()) {
      findings.owners(axes);
    }
    return findings.found;
  }

  private void axis(AxisAssembly axis) {
    List<SequenceDesign> sequences = project.sequencesOf(axis.axis().id());
    Optional<StepAxis> steps =
        StepAxis.of(axis).filter(s -> !s.design().stepping().switches().isEmpty());
    if (sequences.isEmpty() && steps.isEmpty()) {
      return;
    }
    Installation line = Plant.around(project, sheets, axis);
    steps.ifPresent(s -> SwitchChecks.check(axis, s, line).forEach(f -> add(axis.axis().id(), f)));
    sequences.forEach(q -> sequence(axis, line, q));
  }

  private void sequence(AxisAssembly axis, Installation line, SequenceDesign design) {
    Sequence sequence;
    try {
      sequence =
          SequenceText.parse(design.name(), design.words(), axis.axis().mechanics().travelUnit());
    } catch (IllegalArgumentException unread) {
      add(
          design,
          Severity.ERROR,
          Rule.SEQUENCE_WORDS,
          String.valueOf(unread.getMessage()),
          "Nothing of it can be run or written.",
          "Write the step as one of those named.");
      return;
    }
    for (SequenceDoubt doubt : SequenceChecks.of(sequence)) {
      add(
          design,
          Severity.WARNING,
          Rule.SEQUENCE_STEPS,
          "%s%s: %s"
              .formatted(
                  doubt.step() == 0 ? "" : "step %d, ".formatted(doubt.step()),
                  doubt.kind().label(),
                  doubt.seen()),
          doubt.why(),
          doubt.remedy());
    }
    moved(axis, design, sequence);
    sequence.inputs().forEach(i -> name(axis, line, design, i, true));
    sequence.outputs().forEach(o -> name(axis, line, design, o, false));
    design.responses().forEach(r -> response(line, design, r));
  }

  /** A drive that is told a speed has no positions to move to. */
  private void moved(AxisAssembly axis, SequenceDesign design, Sequence sequence) {
    for (int i = 0; i < sequence.steps().size() && !axis.isPositioned(); i++) {
      if (sequence.steps().get(i).moves()) {
        add(
            design,
            Severity.ERROR,
            Rule.SEQUENCE_STEPS,
            "step %d moves %s, which is not told positions".formatted(i + 1, axis.axis().name()),
            "Nothing ends the step: the sequence stands there.",
            "Switch the outputs that run it, and wait for what is to be seen.");
      }
    }
  }

  private void name(
      AxisAssembly axis, Installation line, SequenceDesign design, String name, boolean input) {
    TerminalRef at = design.signals().get(name);
    if (at == null) {
      add(
          design,
          Severity.WARNING,
          Rule.SEQUENCE_NAMES,
          "'%s' is placed on no %s".formatted(name, input ? "input" : "output"),
          input ? "It is never seen." : "Nothing is switched.",
          "Choose the terminal it stands for.");
      return;
    }
    Optional<Terminal> terminal = line.terminal(at);
    boolean own = at.device().equals(axis.controller().id());
    boolean suits =
        terminal
            .filter(t -> input ? t.role().isBinaryInput() : t.role().isBinaryOutput())
            .isPresent();
    if (!own || !suits) {
      add(
          design,
          Severity.ERROR,
          Rule.SEQUENCE_NAMES,
          "'%s' is placed on %s, which is no binary %s of %s"
              .formatted(name, at, input ? "input" : "output", axis.controller().name()),
          "The program cannot %s it.".formatted(input ? "see" : "switch"),
          "Choose one of %s.".formatted(axis.controller().name()));
    } else if (!line.isWired(at)) {
      add(
          design,
          Severity.WARNING,
          Rule.SEQUENCE_NAMES,
          "'%s' is placed on %s, where nothing is wired".formatted(name, at),
          input ? "It never changes." : "Nothing is switched.",
          "Wire it, or choose another terminal.");
    }
  }

  private void response(Installation line, SequenceDesign design, Response response) {
    boolean isSwitch =
        line.device(response.part())
            .filter(d -> d.sheet() instanceof PartSheet p && p.positions().size() > 1)
            .isPresent();
    boolean hasCoil =
        line.device(response.coil())
            .filter(d -> d.sheet() instanceof PartSheet p && p.first(TerminalRole.COIL).isPresent())
            .isPresent();
    if (!isSwitch || !hasCoil) {
      add(
          design,
          Severity.WARNING,
          Rule.SEQUENCE_NAMES,
          isSwitch
              ? "'%s' has no coil that is wired to this controller".formatted(response.coil())
              : "'%s' is no switch that is wired to this controller".formatted(response.part()),
          "What it is to bring about does not happen on the bench.",
          "Choose a switch and the part whose coil makes it happen.");
    }
  }

  /**
   * Who switches an output.
   *
   * @param words for the user
   * @param axis id of the axis
   * @param isPulse whether pulses go out there, which no sequence may touch
   */
  private record Owner(String words, String axis, boolean isPulse) {
    /** The commands of its own axis are what a sequence is there to give; pulses are not. */
    boolean disputes(SequenceDesign design) {
      return !words.equals(words(design))
          && (isPulse || isSequence() || !axis.equals(design.axis()));
    }

    private boolean isSequence() {
      return words.startsWith(SEQUENCE);
    }

    static String words(SequenceDesign design) {
      return "%s%s of %s".formatted(SEQUENCE, design.name(), design.axis());
    }
  }

  /** An output that two switch is on where one of them wants it off. */
  private void owners(List<AxisAssembly> axes) {
    Map<TerminalRef, Set<Owner>> owners = new LinkedHashMap<>();
    for (AxisAssembly axis : axes) {
      for (Intent intent : Meanings.of(axis)) {
        boolean isPulse =
            axis.isStepped()
                && (intent.meaning() == Meaning.STEP || intent.meaning() == Meaning.DIRECTION);
        Owner owner =
            new Owner(
                "%s of %s".formatted(intent.meaning().label(), axis.axis().name()),
                axis.axis().id(),
                isPulse);
        intent.when().stream()
            .filter(Condition::holds)
            .filter(c -> c.device().equals(axis.controller().id()))
            .forEach(c -> own(owners, new TerminalRef(c.device(), c.state()), owner));
      }
    }
    for (SequenceDesign design : project.sequences()) {
      Owner owner = new Owner(Owner.words(design), design.axis(), false);
      outputs(axes, design).forEach(at -> own(owners, at, owner));
    }
    for (SequenceDesign design : project.sequences()) {
      for (TerminalRef at : outputs(axes, design)) {
        List<String> others =
            owners.getOrDefault(at, Set.of()).stream()
                .filter(o -> o.disputes(design))
                .map(Owner::words)
                .toList();
        if (!others.isEmpty()) {
          add(
              design,
              Severity.ERROR,
              Rule.TWO_OWNERS,
              "%s is switched by it and by %s".formatted(at, String.join(" and by ", others)),
              "The one that is run last in the scan wins; the other believes it is done.",
              "Give each its own output, or switch it in one place.");
        }
      }
    }
  }

  private static void own(Map<TerminalRef, Set<Owner>> owners, TerminalRef at, Owner who) {
    owners.computeIfAbsent(at, k -> new LinkedHashSet<>()).add(who);
  }

  private List<TerminalRef> outputs(List<AxisAssembly> axes, SequenceDesign design) {
    Optional<AxisAssembly> axis =
        axes.stream().filter(a -> a.axis().id().equals(design.axis())).findFirst();
    if (axis.isEmpty()) {
      return List.of();
    }
    try {
      Sequence sequence =
          SequenceText.parse(
              design.name(), design.words(), axis.get().axis().mechanics().travelUnit());
      return sequence.outputs().stream()
          .filter(design.signals()::containsKey)
          .map(design.signals()::get)
          .distinct()
          .toList();
    } catch (IllegalArgumentException unread) {
      // It is told of the sequence itself that its words are not understood.
      return List.of();
    }
  }

  private void add(String axis, Finding finding) {
    found.computeIfAbsent(axis, k -> new ArrayList<>()).add(finding);
  }

  private void add(
      SequenceDesign design, Severity severity, Rule rule, String seen, String why, String remedy) {
    add(
        design.axis(),
        new Finding(
            severity,
            rule,
            "axis/%s/sequence/%s".formatted(design.axis(), design.name()),
            "sequence %s: %s".formatted(design.name(), seen),
            why,
            remedy));
  }
}
