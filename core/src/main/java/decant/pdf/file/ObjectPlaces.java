package decant.pdf.file;

import java.util.Arrays;

/** Where each object of a file stands: by itself, or within another one. */
final class ObjectPlaces {
  private long[] place;
  private int[] container;
  private int[] index;
  private int size;

  ObjectPlaces(int objects) {
    size = objects + 1;
    place = new long[size + 64];
    container = new int[size + 64];
    index = new int[size + 64];
  }

  int add() {
    if (size == place.length) {
      place = Arrays.copyOf(place, size * 2);
      container = Arrays.copyOf(container, size * 2);
      index = Arrays.copyOf(index, size * 2);
    }
    return size++;
  }

  void at(int n, long offset) {
    place[n] = offset;
  }

  void within(int n, int stream, int k) {
    container[n] = stream;
    index[n] = k;
  }

  int size() {
    return size;
  }

  int kind(int n) {
    return n == 0 ? 0 : container[n] > 0 ? 2 : 1;
  }

  long place(int n) {
    return container[n] > 0 ? container[n] : place[n];
  }

  int index(int n) {
    return index[n];
  }

  int offsetWidth() {
    long max = 0;
    for (int n = 0; n < size; n++) {
      max = Math.max(max, place(n));
    }
    int width = 1;
    while (max >> 8 * width > 0) {
      width++;
    }
    return width;
  }
}
