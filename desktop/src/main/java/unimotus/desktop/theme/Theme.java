package unimotus.desktop.theme;

import java.util.Set;

/**
 * The theme of the controls. Every control is matched against every rule, which is a good part of
 * the start; rules for controls the program does not have are therefore left out by the build.
 */
public final class Theme {
  /** Where it is found once built. */
  public static final String PLACE = "/unimotus/desktop/theme/theme.css";

  /** Style classes of controls that stand nowhere in the program. */
  static final Set<String> ABSENT =
      Set.of(
          "accordion",
          "alert",
          "bb-code",
          "breadcrumbs",
          "calendar",
          "caption-menu-item",
          "card",
          "chart",
          "choice-box",
          "color-palette",
          "color-picker",
          "custom-color-dialog",
          "custom-text-field",
          "date-picker",
          "date-picker-popup",
          "dialog-pane",
          "html-editor",
          "ikonli-font-icon",
          "menu-bar",
          "message",
          "modal-box",
          "modal-pane",
          "notification",
          "pagination",
          "popover",
          "ring-progress-indicator",
          "slider",
          "spinner",
          "split-menu-button",
          "split-pane",
          "tab-pane",
          "table-view",
          "tile-base",
          "titled-pane",
          "toggle-switch",
          "tool-bar",
          "tree-cell",
          "tree-table-view",
          "tree-view");

  private Theme() {}
}
