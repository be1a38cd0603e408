package unimotus.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Supplier;
import javafx.scene.layout.StackPane;
import org.jspecify.annotations.Nullable;
import unimotus.desktop.Desk;
import unimotus.desktop.calc.CalculatorSheet;
import unimotus.desktop.find.Entry;
import unimotus.desktop.find.FindSheet;
import unimotus.desktop.guide.GuideSheet;
import unimotus.workbench.WorkStep;

/** The sheets that lie over the window: help, calculators, what finds anything. */
final class Overlays {
  private final Desk desk;
  private final StackPane over;
  private final Supplier<List<Entry>> commands;
  private @Nullable GuideSheet help;
  private @Nullable CalculatorSheet calculators;
  private @Nullable FindSheet finding;

  /**
   * @param over what they lie over
   * @param commands every command that can be given now
   */
  Overlays(Desk desk, StackPane over, Supplier<List<Entry>> commands) {
    this.desk = desk;
    this.over = over;
    this.commands = commands;
  }

  /** Shows the guide at the chapter of the view, or puts it away. */
  void toggleHelp() {
    GuideSheet sheet = help;
    if (sheet == null) {
      // Made when first asked for: its many words would otherwise be styled at every start.
      sheet = new GuideSheet(this::toggleHelp);
      help = sheet;
      over.getChildren().add(sheet);
    }
    sheet.setVisible(!sheet.isVisible());
    if (sheet.isVisible()) {
      sheet.open(chapter());
    }
  }

  /** What the guide calls the view that is open. */
  private String chapter() {
    if (desk.onBus().get()) {
      return "The process-data bus";
    }
    WorkStep step = desk.step().get();
    return step == null ? "The whole line" : step.label();
  }

  boolean isHelping() {
    GuideSheet sheet = help;
    return sheet != null && sheet.isVisible();
  }

  /** Shows the calculators, or puts them away. */
  void toggleCalculators() {
    CalculatorSheet sheet = calculators;
    if (sheet == null) {
      sheet = new CalculatorSheet(desk, this::toggleCalculators);
      calculators = sheet;
      over.getChildren().add(sheet);
    }
    sheet.setVisible(!sheet.isVisible());
    if (sheet.isVisible()) {
      sheet.takeFocus();
    }
  }

  boolean isCalculating() {
    CalculatorSheet sheet = calculators;
    return sheet != null && sheet.isVisible();
  }

  /** Shows what finds anything, or puts it away. */
  void toggleFind() {
    FindSheet sheet = finding;
    if (sheet == null) {
      sheet = new FindSheet(desk, this::toggleFind, this::others);
      finding = sheet;
      over.getChildren().add(sheet);
    }
    sheet.setVisible(!sheet.isVisible());
    if (sheet.isVisible()) {
      sheet.takeFocus();
    }
  }

  boolean isFinding() {
    FindSheet sheet = finding;
    return sheet != null && sheet.isVisible();
  }

  /** Commands and calculators, to be found beside what is on the line. */
  private List<Entry> others() {
    List<Entry> others = new ArrayList<>(commands.get());
    for (String title : CalculatorSheet.titles()) {
      others.add(new Entry("calculator", title, "", () -> calculate(title)));
    }
    return others;
  }

  private void calculate(String title) {
    if (!isCalculating()) {
      toggleCalculators();
    }
    Objects.requireNonNull(calculators).open(title);
  }
}
