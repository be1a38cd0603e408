package unimotus.desktop.sheet;

import java.util.function.Consumer;
import unimotus.workbench.SheetDraft;

/** Carries out changes of the sheet in the making and redraws. */
@FunctionalInterface
interface SheetChange {

  /** Carries out one change. */
  void apply(Consumer<SheetDraft> change);
}
