package unimotus.formats.report;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Pages of A4 filled from the top, with lines broken at the margin. Lengths in points. */
final class Sheet implements AutoCloseable {
  private static final float MARGIN = 48;
  private static final float LEADING = 1.32f;
  private static final float BOLD_STROKE = 0.35f;

  /** The font that the PDF library carries; it has the signs of the trade. */
  private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

  private final PDDocument document;
  private final PDFont font;
  private PDPageContentStream page;
  private float y;
  private int number;

  Sheet(PDDocument document) throws IOException {
    this.document = document;
    try (InputStream in = PDDocument.class.getResourceAsStream(FONT)) {
      if (in == null) {
        throw new IOException("the PDF library carries no font");
      }
      font = PDType0Font.load(document, in);
    }
    page = turn();
  }

  private PDPageContentStream turn() throws IOException {
    PDPage next = new PDPage(PDRectangle.A4);
    document.addPage(next);
    PDPageContentStream content = new PDPageContentStream(document, next);
    number++;
    y = PDRectangle.A4.getHeight() - MARGIN;
    show(content, "page " + number, 8, PDRectangle.A4.getWidth() - 2 * MARGIN, MARGIN - 18, false);
    return content;
  }

  /** Leaves a gap. */
  void gap(float height) {
    y -= height;
  }

  /** Begins a new page where less than this is left. */
  void keepTogether(float height) throws IOException {
    if (y - height < MARGIN) {
      page.close();
      page = turn();
    }
  }

  /** A thin line over the whole width. */
  void rule() throws IOException {
    page.setLineWidth(0.4f);
    page.moveTo(MARGIN, y);
    page.lineTo(PDRectangle.A4.getWidth() - MARGIN, y);
    page.stroke();
  }

  /** Writes text, broken at the right margin. */
  void text(String text, float size, float indent, boolean strong) throws IOException {
    float width = PDRectangle.A4.getWidth() - 2 * MARGIN - indent;
    for (String line : broken(writable(text), size, width)) {
      keepTogether(size * LEADING);
      y -= size * LEADING;
      show(page, line, size, MARGIN + indent, y, strong);
    }
  }

  private void show(
      PDPageContentStream content, String line, float size, float x, float at, boolean strong)
      throws IOException {
    content.beginText();
    content.setFont(font, size);
    content.appendRawCommands(strong ? "2 Tr " + BOLD_STROKE + " w\n" : "0 Tr\n");
    content.newLineAtOffset(x, at);
    content.showText(line);
    content.endText();
  }

  private List<String> broken(String text, float size, float width) throws IOException {
    List<String> lines = new ArrayList<>();
    StringBuilder line = new StringBuilder();
    for (String word : text.split(" ", -1)) {
      String longer = line.isEmpty() ? word : line + " " + word;
      if (!line.isEmpty() && font.getStringWidth(longer) / 1000 * size > width) {
        lines.add(line.toString());
        line.setLength(0);
        line.append(word);
      } else {
        line.setLength(0);
        line.append(longer);
      }
    }
    lines.add(line.toString());
    return lines;
  }

  /** Signs that the font does not have are written as a question mark. */
  private String writable(String text) {
    StringBuilder written = new StringBuilder();
    text.codePoints()
        .map(c -> Character.isWhitespace(c) || c == '\u202f' || c == '\u00a0' ? ' ' : c)
        .forEach(
            c -> {
              String sign = Character.toString(c);
              written.append(has(sign) ? sign : "?");
            });
    return written.toString();
  }

  private boolean has(String sign) {
    try {
      font.encode(sign);
      return true;
    } catch (IOException | IllegalArgumentException missing) {
      return false;
    }
  }

  @Override
  public void close() throws IOException {
    page.close();
  }
}
