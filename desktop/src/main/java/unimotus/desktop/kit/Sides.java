package unimotus.desktop.kit;

import javafx.geometry.Insets;
import javafx.scene.layout.Region;

/**
 * What is worked in, and beside it what is said of it. Where there is little room the side becomes
 * narrower, and where there is less it goes below; nothing is cut off.
 */
public final class Sides extends Region {
  private static final double GAP = 12;

  /** How much of the height the main part keeps where the side is below it. */
  private static final double MAIN_SHARE = 0.6;

  private final Region main;
  private final Region side;
  private final double leastMain;
  private final double leastSide;
  private final double sideWidth;

  /**
   * @param leastMain least width that the main part can be worked in
   * @param leastSide least width that the side can be read in
   * @param sideWidth width of the side where there is room
   */
  public Sides(Region main, Region side, double leastMain, double leastSide, double sideWidth) {
    this.main = main;
    this.side = side;
    this.leastMain = leastMain;
    this.leastSide = leastSide;
    this.sideWidth = sideWidth;
    main.setMinSize(0, 0);
    side.setMinSize(0, 0);
    getChildren().addAll(main, side);
  }

  /** Whether the side has to go below the main part at a width. */
  boolean isStacked(double width) {
    return width < leastMain + GAP + leastSide;
  }

  /** Width of the side beside the main part. */
  double sideWidth(double width) {
    return Math.max(leastSide, Math.min(sideWidth, width - leastMain - GAP));
  }

  @Override
  protected void layoutChildren() {
    Insets insets = getInsets();
    double x = insets.getLeft();
    double y = insets.getTop();
    double width = getWidth() - x - insets.getRight();
    double height = getHeight() - y - insets.getBottom();
    if (isStacked(width)) {
      double upper = snapSizeY((height - GAP) * MAIN_SHARE);
      main.resizeRelocate(x, y, width, upper);
      side.resizeRelocate(x, y + upper + GAP, width, Math.max(0, height - GAP - upper));
      return;
    }
    double beside = snapSizeX(sideWidth(width));
    main.resizeRelocate(x, y, width - GAP - beside, height);
    side.resizeRelocate(x + width - beside, y, beside, height);
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }

  @Override
  protected double computeMinHeight(double width) {
    return 0;
  }

  @Override
  protected double computePrefHeight(double width) {
    Insets insets = getInsets();
    return insets.getTop()
        + Math.max(main.prefHeight(-1), side.prefHeight(-1))
        + insets.getBottom();
  }
}
