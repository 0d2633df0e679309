package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/**
 * An output that is switched on and at once off again must be off in the end, whatever thread says
 * so.
 */
public class SerialExecutorTest {
  @Test
  public void whatIsAskedForIsDoneInItsOrderAndNeverTwoAtOnce() {
    List<Integer> done = Collections.synchronizedList(new ArrayList<>());
    int[] inside = new int[1];
    int[] most = new int[1];
    try (ExecutorService many = Executors.newVirtualThreadPerTaskExecutor()) {
      SerialExecutor turns = new SerialExecutor(many);
      for (int k = 0; k < 2000; k++) {
        int number = k;
        turns.execute(() -> {
          most[0] = Math.max(most[0], ++inside[0]);
          if (number % 100 == 0) {
            LockSupport.parkNanos(2_000_000);
          }
          done.add(number);
          inside[0]--;
        });
      }
    }
    assertThat(done).isEqualTo(IntStream.range(0, 2000).boxed().toList());
    assertThat(most[0]).isEqualTo(1);
  }

  /**
   * On the thread that asks, as in tests without a window: what is asked for from within comes
   * after, not inside.
   */
  @Test
  public void whatIsAskedFromWithinComesAfterwards() {
    List<String> done = new ArrayList<>();
    SerialExecutor turns = new SerialExecutor(Runnable::run);
    turns.execute(() -> {
      turns.execute(() -> done.add("within"));
      done.add("first");
    });
    assertThat(done).containsExactly("first", "within");
  }
}
