package vividcaravan.benchmarks;

import java.io.IOException;

/** Somebody who has a page open and asks for it again and again. */
final class PageReader extends Thread {

    final Latencies latencies = new Latencies();
    volatile int bytes;
    private final ProductUnderLoad product;
    private final String path;
    private final long everyMillis;

    PageReader(ProductUnderLoad product, String path, long everyMillis) {
        super("page-reader");
        this.product = product;
        this.path = path;
        this.everyMillis = everyMillis;
        setDaemon(true);
    }

    @Override
    public void run() {
        try {
            while (!isInterrupted()) {
                long from = System.nanoTime();
                bytes = product.get(path).body().length;
                latencies.add(System.nanoTime() - from);
                Thread.sleep(everyMillis);
            }
        } catch (InterruptedException | IOException e) {
            interrupt();
        }
    }
}
