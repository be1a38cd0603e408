package unimotus.desktop.kit;

import java.util.List;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/**
 * Cards of equal width side by side, as many in a row as can be read; those of a row equally high.
 */
public final class CardRows extends Region {
  private final double leastWidth;
  private final double gap;

  /**
   * @param leastWidth least width that a card can be read in
   * @param gap between cards
   */
  public CardRows(double leastWidth, double gap, List<? extends Region> cards) {
    this.leastWidth = leastWidth;
    this.gap = gap;
    cards.forEach(c -> c.setMinWidth(0));
    getChildren().setAll(cards);
  }

  /** How many stand side by side at a width. */
  int columns(double width) {
    int fitting = (int) ((width + gap) / (leastWidth + gap));
    int count = Math.max(1, getChildren().size());
    int most = Math.max(1, Math.min(fitting, count));
    // Rows as even as they can be: four cards are two and two, not three and one.
    int rows = (count + most - 1) / most;
    return (count + rows - 1) / rows;
  }

  private double cardWidth(double width) {
    int columns = columns(width);
    return Math.max(0, (width - (columns - 1) * gap) / columns);
  }

  private double rowHeight(int first, double width) {
    double highest = 0;
    int last = Math.min(getChildren().size(), first + columns(width));
    for (Node card : getChildren().subList(first, last)) {
      highest = Math.max(highest, card.prefHeight(cardWidth(width)));
    }
    return snapSizeY(highest);
  }

  @Override
  protected void layoutChildren() {
    double width = getWidth();
    int columns = columns(width);
    double card = cardWidth(width);
    double y = 0;
    for (int first = 0; first < getChildren().size(); first += columns) {
      double height = rowHeight(first, width);
      for (int i = first; i < Math.min(getChildren().size(), first + columns); i++) {
        getChildren().get(i).resizeRelocate((i - first) * (card + gap), y, card, height);
      }
      y += height + gap;
    }
  }

  @Override
  public Orientation getContentBias() {
    return Orientation.HORIZONTAL;
  }

  @Override
  protected double computePrefHeight(double width) {
    double at = width < 0 ? getWidth() : width;
    double height = 0;
    for (int first = 0; first < getChildren().size(); first += columns(at)) {
      height += (first == 0 ? 0 : gap) + rowHeight(first, at);
    }
    return height;
  }

  @Override
  protected double computeMinHeight(double width) {
    return computePrefHeight(width);
  }

  @Override
  protected double computeMinWidth(double height) {
    return 0;
  }

  @Override
  protected double computePrefWidth(double height) {
    return getChildren().size() * (leastWidth + gap) - gap;
  }
}
