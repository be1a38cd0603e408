package unimotus.desktop.kit;

import javafx.beans.InvalidationListener;
import javafx.beans.WeakInvalidationListener;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.scene.control.Labeled;
import unimotus.core.quantity.DecimalText;

/**
 * How the reader writes decimal numbers, for the words on all parts. It is one for the program, as
 * the reader is; used on the JavaFX thread only.
 */
public final class Decimals {
  private static final ObjectProperty<DecimalText> READER =
      new SimpleObjectProperty<>(DecimalText.POINT);

  private Decimals() {}

  /** Takes over how the reader writes numbers; holds for what is shown from then on. */
  public static void use(DecimalText next) {
    READER.set(next);
  }

  /** A text as the reader writes numbers. */
  public static String shown(String text) {
    return READER.get().of(text);
  }

  /** Tells a listener when the reader's way changes; the listener is held weakly. */
  static void onChange(InvalidationListener listener) {
    READER.addListener(new WeakInvalidationListener(listener));
  }

  /** Shows what a label is given as the reader writes numbers, now and later. */
  static <T extends Labeled> T in(T label) {
    show(label, label.getText());
    label.textProperty().addListener((o, was, is) -> show(label, is));
    return label;
  }

  private static void show(Labeled label, @org.jspecify.annotations.Nullable String text) {
    String shown = text == null ? null : shown(text);
    if (shown != null && !shown.equals(text)) {
      label.setText(shown);
    }
  }
}
