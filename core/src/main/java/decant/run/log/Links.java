package decant.run.log;

import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.Path;

/** References from one file to others. */
final class Links {
  private Links() {}

  /** A path from a folder to a file; both whole. The file's own path if there is none. */
  static String path(Path folder, Path file) {
    try {
      return folder.relativize(file).toString().replace('\\', '/');
    } catch (IllegalArgumentException e) {
      return file.toString();
    }
  }

  /** The same as a reference of RFC 3986. */
  static String reference(Path folder, Path file) {
    String path = path(folder.toAbsolutePath().normalize(), file.toAbsolutePath().normalize());
    try {
      return path.startsWith("/")
          ? file.toUri().toASCIIString()
          : new URI(null, null, "/" + path, null).getRawPath().substring(1);
    } catch (URISyntaxException e) {
      return file.toUri().toASCIIString();
    }
  }
}
