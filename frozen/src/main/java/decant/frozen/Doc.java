package decant.frozen;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** A document of the harbour office, and how it is set. The same for the same seed. */
record Doc(String title, List<Block> blocks, Setting setting) {
  /** What a document is made of. */
  sealed interface Block {
    record Heading(int level, String text) implements Block {}

    /**
     * @param note the text of a footnote at its end; empty for none
     */
    record Paragraph(String text, String note) implements Block {}

    record Item(boolean ordered, int number, String text) implements Block {}

    record Table(List<List<String>> rows) implements Block {}
  }

  /** How it is set. */
  record Setting(
      boolean serif,
      int size,
      int columns,
      boolean numbered,
      boolean ruled,
      boolean running,
      boolean justified,
      boolean indented) {}

  private static final String[] WHO = {
    "the harbour master", "the berth holder", "the duty pilot", "the slipway crew", "the tide clerk"
  };
  private static final String[] DOES = {
    "checks", "moors beside", "keeps clear of", "signs for", "repairs", "paints", "counts"
  };
  private static final String[] WHAT = {
    "the east pontoon", "the mooring rings", "two winter cradles", "the fuel berth", "the tide gauge",
    "the visitor jetty", "the storm bollards", "the rescue boat", "the crane track"
  };
  private static final String[] WHEN = {
    "before the evening tide", "on the first working day of the month", "while a gale is forecast",
    "once the charges are paid", "whenever the basin is full", "after the ferry has left",
    "at low water springs"
  };
  private static final String[] TOPICS = {
    "Mooring charges", "Winter storage", "Use of the slipway", "Visitors", "Fenders and lines",
    "Fuel and water", "Waste", "Speed in the basin", "Notices", "Keys and gates", "Insurance"
  };

  static Doc of(long seed) {
    var random = new Random(seed * 7919);
    var setting =
        new Setting(
            random.nextBoolean(),
            9 + random.nextInt(4),
            random.nextInt(4) == 0 ? 2 : 1,
            random.nextInt(3) == 0,
            random.nextInt(3) > 0,
            random.nextInt(3) > 0,
            random.nextBoolean(),
            random.nextInt(3) == 0);
    var blocks = new ArrayList<Block>();
    String title = "Rules for " + WHAT[random.nextInt(WHAT.length)].replace("the ", "") + " " + seed;
    blocks.add(new Block.Heading(1, title));
    int chapters = 2 + random.nextInt(3);
    for (int c = 1; c <= chapters; c++) {
      heading(blocks, 2, setting.numbered() ? c + " " : "", random);
      body(blocks, random);
      if (random.nextBoolean()) {
        heading(blocks, 3, setting.numbered() ? c + ".1 " : "", random);
        body(blocks, random);
      }
    }
    return new Doc(title, blocks, setting);
  }

  private static void heading(List<Block> blocks, int level, String label, Random random) {
    blocks.add(new Block.Heading(level, label + TOPICS[random.nextInt(TOPICS.length)]));
  }

  private static void body(List<Block> blocks, Random random) {
    int n = 1 + random.nextInt(3);
    for (int k = 0; k < n; k++) {
      String note = random.nextInt(5) == 0 ? sentence(random) : "";
      blocks.add(new Block.Paragraph(prose(random, 2 + random.nextInt(5)), note));
    }
    switch (random.nextInt(4)) {
      case 0 -> {
        boolean ordered = random.nextBoolean();
        int items = 3 + random.nextInt(3);
        for (int k = 1; k <= items; k++) {
          blocks.add(new Block.Item(ordered, k, sentence(random)));
        }
        blocks.add(new Block.Paragraph(prose(random, 2), ""));
      }
      case 1 -> {
        var rows = new ArrayList<List<String>>();
        rows.add(List.of("Berth", "Length", "Charge", "Remarks"));
        int count = 3 + random.nextInt(6);
        for (int k = 0; k < count; k++) {
          rows.add(
              List.of(
                  "B" + (10 + random.nextInt(80)),
                  (6 + random.nextInt(12)) + " m",
                  (80 + random.nextInt(400)) + ".00",
                  WHEN[random.nextInt(WHEN.length)]));
        }
        blocks.add(new Block.Table(rows));
        blocks.add(new Block.Paragraph(prose(random, 2), ""));
      }
      default -> {}
    }
  }

  private static String prose(Random random, int sentences) {
    var b = new StringBuilder();
    for (int k = 0; k < sentences; k++) {
      b.append(k == 0 ? "" : " ").append(sentence(random));
    }
    return b.toString();
  }

  private static String sentence(Random random) {
    String s =
        WHO[random.nextInt(WHO.length)]
            + " "
            + DOES[random.nextInt(DOES.length)]
            + " "
            + WHAT[random.nextInt(WHAT.length)]
            + " "
            + WHEN[random.nextInt(WHEN.length)]
            + (random.nextInt(3) == 0 ? ", and tells the office within " + (2 + random.nextInt(40)) + " hours" : "");
    return Character.toUpperCase(s.charAt(0)) + s.substring(1) + ".";
  }
}
