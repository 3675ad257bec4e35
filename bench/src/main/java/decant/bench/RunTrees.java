package decant.bench;

import decant.format.Format;
import decant.format.Formats;
import decant.io.AtomicFile;
import decant.io.Untouchable;
import decant.layout.Layouter;
import decant.model.Document;
import decant.pdf.choices.Passwords;
import decant.publish.Publisher;
import decant.recipe.RecipeBook;
import decant.text.FontBook;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;

/** Makes trees of files as archives have them, and worse. The same for the same size. */
final class RunTrees {
  private static final String[] NAMES = {
    "Notice",
    "Berth rules",
    ".hidden",
    "Ma\u00DFe und Preise",
    "\u041F\u0440\u0438\u0447\u0430\u043B",
    "\u6E2F\u6E7E",
    "caf\u00E9",
    "cafe\u0301",
    "REPORT",
    "report",
    "a;b",
    "50 % off",
    "it's",
    "tab\there",
    "\uD83D\uDEA2 ship",
    "name with  spaces ",
    "two.dots.in"
  };

  private RunTrees() {}

  /** Ready documents that are copied to many places. */
  static List<Path> documents(Path folder, int from, int to) throws Exception {
    Files.createDirectories(folder);
    var out = new ArrayList<Path>();
    int n = 0;
    for (int pages = from; pages <= to; pages += Math.max(1, (to - from) / 6)) {
      Document d = LongDocument.of(pages);
      for (Format f : Formats.written()) {
        Path file = folder.resolve("d" + n++ + "." + f.extension());
        AtomicFile.write(file, true, o -> Formats.writer(f).write(d, o));
        out.add(file);
      }
      Path pdf = folder.resolve("d" + n++ + ".pdf");
      Publisher.publish(
          new Publisher.Order(
              new Layouter(FontBook.shipped()).layout(d),
              RecipeBook.counterCopy(),
              folder,
              pdf.getFileName().toString().replace(".pdf", ""),
              folder.resolve("source.docx"),
              true,
              Passwords.NONE,
              Untouchable.inputs(List.of())),
          (f, share) -> {},
          () -> false);
      out.add(pdf);
    }
    return out;
  }

  /**
   * A tree of so many files, 40 levels deep, of all kinds: documents, and what is none, is damaged,
   * locked, empty, a link, or meant to do harm.
   */
  static void hard(Path root, List<Path> documents, int files) throws Exception {
    var random = new Random(17);
    Path locked = locked(documents, root.resolveSibling("locked.docx"));
    var folders = new ArrayList<Path>();
    Path deep = root;
    for (int level = 0; level < 40; level++) {
      deep = deep.resolve(level % 7 == 0 ? "Ebene " + level : "l" + level);
      folders.add(Files.createDirectories(deep));
    }
    for (int k = 0; k < files / 100; k++) {
      Path in = folders.get(random.nextInt(folders.size()));
      folders.add(
          Files.createDirectories(in.resolve(NAMES[random.nextInt(NAMES.length)] + " " + k)));
    }
    for (int k = 0; k < files; k++) {
      Path in = folders.get(random.nextInt(folders.size()));
      Path source = documents.get(random.nextInt(documents.size()));
      String end = source.toString().substring(source.toString().lastIndexOf('.'));
      String name = NAMES[random.nextInt(NAMES.length)] + (random.nextInt(3) == 0 ? "" : " " + k);
      if (random.nextInt(60) == 0) {
        name = "long ".repeat(44) + k;
      }
      Path file =
          free(in, name, random.nextInt(20) == 0 ? end.toUpperCase(java.util.Locale.ROOT) : end);
      switch (random.nextInt(20)) {
        case 0 -> Files.createFile(file);
        case 1 -> Files.write(file, head(source, random));
        case 2 -> junk(file, random);
        case 3 -> link(file, root, folders.get(random.nextInt(folders.size())), random);
        case 4 -> Files.copy(locked, file);
        case 5 -> {
          if (random.nextInt(20) == 0) {
            bomb(file);
          } else {
            Files.copy(source, file);
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("---------"));
          }
        }
        default -> Files.copy(source, file);
      }
    }
  }

  /** A folder of documents alone. */
  static void plain(Path root, List<Path> documents, int files) throws IOException {
    for (int k = 0; k < files; k++) {
      Path in = Files.createDirectories(root.resolve("f" + k % 25));
      Path source = documents.get(k % documents.size());
      String end = source.toString().substring(source.toString().lastIndexOf('.'));
      Files.copy(source, in.resolve("document " + k + end));
    }
  }

  private static Path free(Path in, String name, String end) {
    Path p = in.resolve(name + end);
    for (int n = 2; Files.exists(p, java.nio.file.LinkOption.NOFOLLOW_LINKS); n++) {
      p = in.resolve(name + " " + n + end);
    }
    return p;
  }

  private static byte[] head(Path source, Random random) throws IOException {
    byte[] all = Files.readAllBytes(source);
    return Arrays.copyOf(all, 1 + random.nextInt(all.length - 1));
  }

  private static void junk(Path file, Random random) throws IOException {
    byte[] some = new byte[1 + random.nextInt(20_000)];
    random.nextBytes(some);
    Files.write(file, some);
  }

  private static void link(Path file, Path root, Path folder, Random random) throws IOException {
    Path[] to = {root, folder, Path.of("/etc"), Path.of("nowhere at all"), file};
    Files.createSymbolicLink(file, to[random.nextInt(to.length)]);
  }

  private static Path locked(List<Path> documents, Path to) throws IOException {
    Path docx =
        documents.stream().filter(p -> p.toString().endsWith(".docx")).findFirst().orElseThrow();
    try (OutputStream out = Files.newOutputStream(to)) {
      Formats.locker(Formats.working()).orElseThrow().lock(docx, "tide", out);
    }
    return to;
  }

  /** A small file that unpacks to a gigabyte. */
  private static void bomb(Path file) throws IOException {
    try (var zip = new ZipOutputStream(Files.newOutputStream(file))) {
      zip.putNextEntry(new ZipEntry("[Content_Types].xml"));
      zip.closeEntry();
      zip.putNextEntry(new ZipEntry("word/document.xml"));
      byte[] block = new byte[1 << 20];
      Arrays.fill(block, (byte) ' ');
      for (int k = 0; k < 1000; k++) {
        zip.write(block);
      }
      zip.closeEntry();
    }
  }
}
