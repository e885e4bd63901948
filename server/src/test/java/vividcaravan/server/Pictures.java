package vividcaravan.server;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Base64;
import javax.imageio.ImageIO;

/** Photographs as phones send them. */
public final class Pictures {

    private Pictures() {}

    /** A picture of {@code side} by {@code side} points, as a file. */
    public static byte[] jpeg(int side) {
        BufferedImage picture = new BufferedImage(side, side, BufferedImage.TYPE_INT_RGB);
        for (int i = 0; i < side; i++) {
            picture.setRGB(i, i, 0xC04010 + i);
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(picture, "jpeg", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    /** A picture as a file of so many bytes in all: what follows on a picture's end is no part of it. */
    public static byte[] jpegOf(int bytes) {
        return Arrays.copyOf(jpeg(32), bytes);
    }

    /** The body of a request that sends it. */
    public static String body(byte[] jpeg) {
        return "{ \"jpeg\": \"" + Base64.getEncoder().encodeToString(jpeg) + "\" }";
    }
}
