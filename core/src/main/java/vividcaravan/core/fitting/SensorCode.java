package vividcaravan.core.fitting;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * A sensor's code as somebody typed or scanned it: six to eight hex digits, compared in upper case. Letters that are no
 * hex digits are usually digits read wrong; B and 8 look alike on a dirty label and are both digits.
 *
 * @param typed what was entered
 * @param code the code it is, or null if it is none
 * @param suggestions codes that may have been meant, the likeliest first
 */
public record SensorCode(String typed, String code, List<String> suggestions) {

    private static final Pattern CODE = Pattern.compile("[0-9A-F]{6,8}");
    private static final Pattern SEPARATORS = Pattern.compile("[\\s:.\\-_#]+");
    private static final String MISREAD = "OQILSZG";
    private static final String MEANT = "0011526";

    public SensorCode {
        suggestions = List.copyOf(suggestions);
    }

    /** Reads what was entered; separators that labels print between the digits do not count. */
    public static SensorCode read(String typed) {
        String plain = SEPARATORS.matcher(typed).replaceAll("").toUpperCase(Locale.ROOT);
        if (CODE.matcher(plain).matches()) {
            return new SensorCode(typed, plain, List.of());
        }
        String mended = mended(plain);
        boolean isCode = !mended.equals(plain) && CODE.matcher(mended).matches();
        return new SensorCode(typed, null, isCode ? List.of(mended) : List.of());
    }

    private static String mended(String plain) {
        StringBuilder mended = new StringBuilder();
        for (char c : plain.toCharArray()) {
            int at = "0123456789ABCDEF".indexOf(c) >= 0 ? -1 : MISREAD.indexOf(c);
            mended.append(at < 0 ? c : MEANT.charAt(at));
        }
        return mended.toString();
    }

    /** Whether it is a code. */
    public boolean isCode() {
        return code != null;
    }

    /**
     * The codes among {@code others} that differ from this one only where labels are misread: B and 8, 0 and D.
     *
     * @throws IllegalStateException if this is no code
     */
    public List<String> likeOneOf(Set<String> others) {
        if (code == null) {
            throw new IllegalStateException("\"" + typed + "\" is no code");
        }
        List<String> alike = new ArrayList<>();
        for (String other : new LinkedHashSet<>(others)) {
            if (!other.equals(code) && looks(other).equals(looks(code))) {
                alike.add(other);
            }
        }
        return alike;
    }

    private static String looks(String code) {
        return code.replace('B', '8').replace('D', '0');
    }
}
