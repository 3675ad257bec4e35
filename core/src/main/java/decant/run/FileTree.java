package decant.run;

import java.io.IOException;
import java.nio.file.DirectoryIteratorException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;

/**
 * Goes through a tree of files, a folder at a time, in an order that is always the same. Symbolic
 * links are met, but not followed, so that no link leads out of the tree and no loop is endless.
 */
final class FileTree {
  /** What was met. */
  enum Kind {
    FILE,
    LINK,
    /** Nothing can be asked of it. */
    UNKNOWN
  }

  /**
   * A file, or a link.
   *
   * @param path from the root of the tree
   */
  record Met(Path path, Kind kind, long bytes, Instant modified) {}

  /** Is told of what a tree holds. */
  interface Visitor {
    /**
     * A folder with what is in it but for other folders.
     *
     * @param path from the root of the tree; empty for the root
     */
    void folder(Path path, List<Met> files);

    /** A folder that cannot be listed. */
    void closed(Path path);
  }

  private final Path root;
  private final boolean subfolders;
  private final Predicate<Path> skipped;
  private final Visitor visitor;

  /**
   * @param skipped folders that are passed over, whole
   */
  FileTree(Path root, boolean subfolders, Predicate<Path> skipped, Visitor visitor) {
    this.root = root;
    this.subfolders = subfolders;
    this.skipped = skipped;
    this.visitor = visitor;
  }

  void walk() {
    walk(root);
  }

  private void walk(Path folder) {
    var files = new ArrayList<Met>();
    var folders = new ArrayList<Path>();
    Path from = root.relativize(folder);
    try (DirectoryStream<Path> all = Files.newDirectoryStream(folder)) {
      for (Path p : all) {
        Path path = root.relativize(p);
        try {
          BasicFileAttributes a =
              Files.readAttributes(p, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS);
          Instant modified = a.lastModifiedTime().toInstant();
          if (a.isSymbolicLink()) {
            files.add(new Met(path, Kind.LINK, 0, modified));
          } else if (a.isDirectory()) {
            folders.add(p);
          } else if (a.isRegularFile()) {
            files.add(new Met(path, Kind.FILE, a.size(), modified));
          } // pipes, sockets and devices are no files
        } catch (IOException e) {
          files.add(new Met(path, Kind.UNKNOWN, 0, Instant.EPOCH));
        }
      }
    } catch (IOException | DirectoryIteratorException e) {
      visitor.closed(from);
    }
    files.sort(Comparator.comparing(m -> m.path().getFileName().toString()));
    visitor.folder(from, files);
    if (subfolders) {
      folders.sort(Comparator.comparing(p -> p.getFileName().toString()));
      folders.stream().filter(skipped.negate()).forEach(this::walk);
    }
  }
}
