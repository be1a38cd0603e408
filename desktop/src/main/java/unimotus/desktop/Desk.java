package unimotus.desktop;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import unimotus.core.machine.Axis;
import unimotus.core.quantity.DecimalText;
import unimotus.core.review.AxisReview;
import unimotus.desktop.kit.Decimals;
import unimotus.workbench.Demo;
import unimotus.workbench.DisplayUnits;
import unimotus.workbench.Edit;
import unimotus.workbench.Evidence;
import unimotus.workbench.EvidenceBook;
import unimotus.workbench.NumberNames;
import unimotus.workbench.Opening;
import unimotus.workbench.Preferences;
import unimotus.workbench.Progress;
import unimotus.workbench.Session;
import unimotus.workbench.StopProof;
import unimotus.workbench.WorkStep;

/**
 * What all views share: the session, the axis and the station looked at, the reader's preferences,
 * and a line for messages. Used on the JavaFX thread only.
 */
public final class Desk {
  private static final DateTimeFormatter LOCAL_TIME =
      DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm z", Locale.ROOT);

  /**
   * A word to the user.
   *
   * @param text what is said; empty for nothing
   * @param attention whether something was refused
   */
  public record Message(String text, boolean attention) {}

  private final Navigation navigation = new Navigation(this);
  private final Session session;
  private final Dialogs dialogs;
  private final Clock clock;
  private final Path preferencesFile;
  private final CompletableFuture<EvidenceBook> evidence;
  private final List<Runnable> refreshers = new ArrayList<>();
  private final ObjectProperty<@Nullable String> axisId = new SimpleObjectProperty<>();
  private final ObjectProperty<@Nullable WorkStep> step = new SimpleObjectProperty<>();
  private final BooleanProperty startingAxis = new SimpleBooleanProperty();
  private final BooleanProperty editingSheets = new SimpleBooleanProperty();
  private final BooleanProperty onBus = new SimpleBooleanProperty();
  private final Path sheetFolder;
  private final ObjectProperty<Preferences> preferences;
  private final ReadOnlyObjectWrapper<Message> message =
      new ReadOnlyObjectWrapper<>(new Message("", false));

  private final LiveState live = new LiveState();
  private final List<Runnable> endings = new ArrayList<>();

  private volatile boolean isClosed;
  private int depth;
  private boolean waiting;

  /**
   * A desk over a session.
   *
   * @param preferencesFile where preferences are kept
   * @param sheetFolder where device sheets of the user's own are kept
   */
  public Desk(
      Opening opening, Dialogs dialogs, Clock clock, Path preferencesFile, Path sheetFolder) {
    this.sheetFolder = sheetFolder;
    this.session = opening.session();
    this.evidence = opening.evidence();
    this.dialogs = dialogs;
    this.clock = clock;
    this.preferencesFile = preferencesFile;
    this.preferences = new SimpleObjectProperty<>(Preferences.load(preferencesFile));
    session.onChange(this::refresh);
    axisId.addListener((o, was, is) -> refresh());
    step.addListener((o, was, is) -> refresh());
    List.of(startingAxis, editingSheets, onBus)
        .forEach(p -> p.addListener((o, was, is) -> refresh()));
    preferences.addListener((o, was, is) -> refresh());
    live.presence().addListener((o, was, is) -> refresh());
    if (!evidence.isDone()) {
      evidence.whenComplete((done, failure) -> Platform.runLater(() -> checked(failure)));
    }
  }

  private void checked(@Nullable Throwable failure) {
    if (failure != null) {
      log().error("the line could not be checked", failure);
      refuse("The line could not be checked: " + failure.getMessage());
    } else {
      refresh();
    }
  }

  /**
   * Whether the line has been checked since it was opened. Until then its names are known and
   * everything can be edited; what asks for findings or evidence waits.
   */
  public boolean isChecked() {
    return evidence.isDone() && !evidence.isCompletedExceptionally();
  }

  /** Has something ended with the window: what it is connected to, or has under way. */
  public void atClose(Runnable ending) {
    endings.add(ending);
  }

  /**
   * Ends something that runs beside the window, and says where it does not end.
   *
   * @param running null for nothing
   * @param name of it, for the user
   */
  public void end(@Nullable Closeable running, String name) {
    try {
      if (running != null) {
        running.close();
      }
    } catch (IOException e) {
      refuse("%s have not ended: %s".formatted(name, e.getMessage()));
    }
  }

  /** The window is closed: drives it commands are handed back, and simulated devices end. */
  public void close() {
    isClosed = true;
    endings.forEach(Runnable::run);
  }

  /** Whether the window was closed; may be asked from any thread. */
  public boolean isClosed() {
    return isClosed;
  }

  /** What of the machine the window is joined to. */
  public LiveState live() {
    return live;
  }

  /** The open project with its history. */
  public Session session() {
    return session;
  }

  /** How the user is asked for files. */
  public Dialogs dialogs() {
    return dialogs;
  }

  /** Tells the time readings are taken at. */
  public Clock clock() {
    return clock;
  }

  /** The reader's units. */
  public DisplayUnits units() {
    return preferences.get().units();
  }

  /** What is remembered between sessions. */
  public ObjectProperty<Preferences> preferences() {
    return preferences;
  }

  /** An instant as it is shown: the reader's own time, with its zone. */
  public String time(String instant) {
    return LOCAL_TIME.format(Instant.parse(instant).atZone(clock.getZone()));
  }

  /** Changes what is remembered and keeps it. */
  public void remember(Preferences next) {
    preferences.set(next);
    try {
      next.save(preferencesFile);
    } catch (IOException e) {
      log().warn("preferences could not be saved: {}", e.getMessage());
    }
  }

  /** The station looked at; null for the overview of the line. */
  public ObjectProperty<@Nullable WorkStep> step() {
    return step;
  }

  /** The axis looked at; null where the line has none. */
  public ObjectProperty<@Nullable String> axisId() {
    return axisId;
  }

  /** What was said last. */
  public ReadOnlyObjectProperty<Message> message() {
    return message.getReadOnlyProperty();
  }

  /** Adds something to redraw after every change. */
  public void onRefresh(Runnable refresher) {
    refreshers.add(refresher);
  }

  /** The review of the axis looked at; empty where there is none. */
  public Optional<AxisReview> review() {
    return Optional.ofNullable(axisId.get()).flatMap(id -> session.review().axis(id));
  }

  /** The axis looked at; empty where there is none. */
  public Optional<Axis> axis() {
    return Optional.ofNullable(axisId.get()).flatMap(session.project()::axis);
  }

  /** The evidence of the axis looked at; empty where it has no path yet. */
  public Optional<Evidence> evidence() {
    return review().flatMap(this::evidence);
  }

  /** The evidence of an axis; empty where it has no path yet. */
  public Optional<Evidence> evidence(AxisReview review) {
    return evidence.join().of(session.project(), review);
  }

  /** How far an axis is. */
  public Progress progress(AxisReview review) {
    Optional<Evidence> of = evidence(review);
    boolean mayGoOn =
        of.map(e -> StopProof.of(session.project(), e)).filter(StopProof::mayGoOn).isPresent();
    return Progress.of(review, of.map(Evidence::proof), mayGoOn);
  }

  /** Looks at a station of an axis. */
  public void show(@Nullable String axis, @Nullable WorkStep station) {
    together(
        () -> {
          startingAxis.set(false);
          editingSheets.set(false);
          onBus.set(false);
          axisId.set(axis);
          step.set(station);
        });
  }

  /**
   * Carries out an edit and says what happened; where it is refused, says why and changes nothing.
   *
   * @return whether it was carried out
   */
  public boolean apply(Edit edit) {
    try {
      session.apply(edit);
      say(edit.name());
      return true;
    } catch (IllegalArgumentException | IllegalStateException refused) {
      refuse(refused.getMessage());
      return false;
    }
  }

  /** How one is led to the very thing that is meant. */
  public Navigation navigation() {
    return navigation;
  }

  /** Whether an axis is being started; the view for it then stands in the middle. */
  public BooleanProperty startingAxis() {
    return startingAxis;
  }

  /** Whether the editor of device sheets stands in the middle. */
  public BooleanProperty editingSheets() {
    return editingSheets;
  }

  /** Whether the process-data fieldbus of the line stands in the middle. */
  public BooleanProperty onBus() {
    return onBus;
  }

  /** Where device sheets of the user's own are kept. */
  public Path sheetFolder() {
    return sheetFolder;
  }

  /** Begins a new axis. */
  public void startAxis() {
    startingAxis.set(true);
  }

  /** Opens the demo line in place of what is open. */
  public void openDemo() {
    together(
        () -> {
          session.start(Demo.project());
          show(null, null);
        });
    say("the demo line is open as a copy; change what you like");
  }

  /** Says something in passing. */
  public void say(String text) {
    message.set(new Message(text, false));
  }

  /** Says why something was refused. */
  public void refuse(@Nullable String text) {
    message.set(new Message(String.valueOf(text), true));
  }

  /** Does several things and redraws once, at the end. */
  public void together(Runnable action) {
    depth++;
    try {
      action.run();
    } finally {
      depth--;
    }
    if (depth == 0 && waiting) {
      refresh();
    }
  }

  /** Redraws everything that shows the project. */
  public void refresh() {
    waiting = depth > 0;
    if (waiting) {
      return;
    }
    if (axis().isEmpty()) {
      axisId.set(session.project().axes().stream().map(Axis::id).findFirst().orElse(null));
    }
    Decimals.use(decimals());
    List.copyOf(refreshers).forEach(Runnable::run);
  }

  /** How sentences are shown; codes of settings and names keep their points. */
  private DecimalText decimals() {
    char mark = units().decimalMark();
    return mark == '.' ? DecimalText.POINT : new DecimalText(mark, NumberNames.of(session));
  }

  /** Asked for only when there is something to say: setting up the log costs a quarter second. */
  private static Logger log() {
    return LoggerFactory.getLogger(Desk.class);
  }
}
