package vividcaravan.server.drivers;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;

/**
 * A photograph as it is kept: only what is to be seen. It is decoded and encoded anew, so that nothing stays of where it was taken, with
 * what, or of anything else that a file can carry.
 */
final class Photograph {

    /** As large as a picture may be, in points: what a phone takes, and little enough to be held in memory. */
    static final long MOST_POINTS = 16_000_000;

    private static final float[] QUALITIES = {0.85f, 0.7f, 0.5f};
    /** One at a time: a picture takes four bytes for each of its points. */
    private static final Semaphore ONE = new Semaphore(1);

    static {
        ImageIO.setUseCache(false);
    }

    private Photograph() {}

    /**
     * The picture in {@code jpeg}, encoded anew; empty where there is none in it, or one that is too large.
     *
     * @param largest how many bytes it may have
     */
    static Optional<byte[]> plain(byte[] jpeg, int largest) {
        ONE.acquireUninterruptibly();
        try {
            return picture(jpeg).flatMap(picture -> encoded(picture, largest));
        } finally {
            ONE.release();
        }
    }

    private static Optional<BufferedImage> picture(byte[] jpeg) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(jpeg))) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("jpeg");
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                if ((long) reader.getWidth(0) * reader.getHeight(0) > MOST_POINTS) {
                    return Optional.empty();
                }
                return Optional.of(opaque(reader.read(0)));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            // Whatever a file can hold that is no picture.
            return Optional.empty();
        }
    }

    private static BufferedImage opaque(BufferedImage read) {
        BufferedImage plain = new BufferedImage(read.getWidth(), read.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = plain.createGraphics();
        pen.drawImage(read, 0, 0, Color.WHITE, null);
        pen.dispose();
        return plain;
    }

    private static Optional<byte[]> encoded(BufferedImage picture, int largest) {
        for (float quality : QUALITIES) {
            byte[] jpeg = encoded(picture, quality);
            if (jpeg.length <= largest) {
                return Optional.of(jpeg);
            }
        }
        return Optional.empty();
    }

    private static byte[] encoded(BufferedImage picture, float quality) {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(quality);
            writer.setOutput(out);
            writer.write(null, new IIOImage(picture, null, null), how);
        } catch (IOException e) {
            throw new IllegalStateException("a picture in memory could not be encoded", e);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
