package org.yellowhearth.desk.model;

import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;

import javafx.beans.property.DoubleProperty;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;

import org.yellowhearth.core.circuit.StoppedException;
import org.yellowhearth.core.circuit.Transient.Watcher;

/** A long computation beside the window: the newest question only, with its progress, to be stopped at any moment. */
public final class LongWork {
    private final Background background;
    private final DoubleProperty progress = new SimpleDoubleProperty(-1);
    private AtomicBoolean wanted = new AtomicBoolean();

    /** A computation that shows what it has found as it goes. */
    interface Slow {
        void run(Watcher watcher, Consumer<Runnable> show);
    }

    LongWork(Background background) {
        this.background = background;
    }

    /** How far it is, 0 to 1; below nothing while none runs. */
    public ReadOnlyDoubleProperty progressProperty() {
        return progress;
    }

    /** Stops what runs. */
    public void stop() {
        wanted.set(false);
        progress.set(-1);
    }

    /** Starts another in the place of what runs. */
    void start(Slow work) {
        stop();
        AtomicBoolean mine = new AtomicBoolean(true);
        wanted = mine;
        progress.set(0);
        Watcher watcher = share -> {
            background.report(() -> {
                if (mine.get()) {
                    progress.set(share);
                }
            });
            return mine.get();
        };
        background.aside(() -> {
            try {
                work.run(watcher, then -> background.report(() -> {
                    if (mine.get()) {
                        then.run();
                    }
                }));
                return true;
            } catch (StoppedException _) {
                return false;
            } finally {
                // However it ends, by a fault too, nothing runs any more.
                background.report(() -> {
                    if (mine.getAndSet(false)) {
                        progress.set(-1);
                    }
                });
            }
        }, _ -> {
        });
    }
}
