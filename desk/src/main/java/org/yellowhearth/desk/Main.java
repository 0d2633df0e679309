package org.yellowhearth.desk;

/** Starts the application. */
public final class Main {
    private Main() {
    }

    /** Starts the application. */
    public static void main(String[] args) {
        System.out.println(args.length);
    }
}
