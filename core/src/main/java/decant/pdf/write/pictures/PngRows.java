package decant.pdf.write.pictures;

/** The filters of PNG rows (ISO/IEC 15948 §9), which PDF's predictors 10 to 15 undo. */
final class PngRows {
  private PngRows() {}

  /**
   * Each row filtered by whichever filter leaves the least sum, as the standard suggests (§12.8),
   * after a byte that says which.
   *
   * @param row bytes in a row
   * @param step bytes from one pixel to the next
   */
  static byte[] filtered(byte[] plain, int row, int step) {
    int rows = plain.length / row;
    byte[] out = new byte[rows * (row + 1)];
    byte[][] tried = new byte[5][row];
    for (int y = 0; y < rows; y++) {
      int best = 0;
      long min = Long.MAX_VALUE;
      for (int f = 0; f < 5; f++) {
        long sum = filter(plain, y * row, row, step, f, y > 0, tried[f]);
        if (sum < min) {
          min = sum;
          best = f;
        }
      }
      out[y * (row + 1)] = (byte) best;
      System.arraycopy(tried[best], 0, out, y * (row + 1) + 1, row);
    }
    return out;
  }

  private static long filter(
      byte[] plain, int at, int row, int step, int filter, boolean hasAbove, byte[] out) {
    long sum = 0;
    for (int x = 0; x < row; x++) {
      int left = x >= step ? plain[at + x - step] & 255 : 0;
      int above = hasAbove ? plain[at + x - row] & 255 : 0;
      int corner = hasAbove && x >= step ? plain[at + x - row - step] & 255 : 0;
      int guess =
          switch (filter) {
            case 0 -> 0;
            case 1 -> left;
            case 2 -> above;
            case 3 -> (left + above) / 2;
            default -> paeth(left, above, corner);
          };
      out[x] = (byte) (plain[at + x] - guess);
      sum += Math.abs(out[x]);
    }
    return sum;
  }

  private static int paeth(int a, int b, int c) {
    int p = a + b - c;
    int pa = Math.abs(p - a);
    int pb = Math.abs(p - b);
    int pc = Math.abs(p - c);
    return pa <= pb && pa <= pc ? a : pb <= pc ? b : c;
  }
}
