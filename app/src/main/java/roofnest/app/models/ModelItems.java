package roofnest.app.models;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

import roofnest.app.web.Form;

/** Lists of a model's document that are typed into one field, items between semicolons. */
final class ModelItems {
    static final Set<ModelForm.Type> TYPES = Set.of(ModelForm.Type.HOLES, ModelForm.Type.NIGHTS, ModelForm.Type.MENU, ModelForm.Type.SIZES,
            ModelForm.Type.BELL);
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private final Form form;

    /** @param form whose region says how figures are written */
    ModelItems(Form form) {
        this.form = form;
    }

    /** As it would be typed. */
    static String typed(ModelForm.Type type, JsonNode node) {
        if (type == ModelForm.Type.BELL) {
            return node.isObject() ? bell(node) : "";
        }
        List<String> items = new ArrayList<>();
        node.forEach(item -> items.add(switch (type) {
            case HOLES -> plain(item, "xMm") + " " + plain(item, "yMm");
            case MENU -> plain(item, "sets") + ": " + plain(item, "where");
            case SIZES -> plain(item, "name") + " " + plain(item, "widthPx") + " " + plain(item, "bitrateMbps");
            default -> plain(item, "light") + " " + plain(item, "rangeM") + " " + plain(item, "lightMa");
        }));
        return String.join("; ", items);
    }

    private static String plain(JsonNode item, String member) {
        return ModelForm.plain(item.get(member));
    }

    private static String bell(JsonNode bell) {
        List<String> chimes = new ArrayList<>();
        bell.get("chimes").forEach(chime -> chimes.add(chime.asString()));
        return String.join(" ", chimes) + " " + plain(bell, "replies") + " " + plain(bell, "replyChars") + " "
                + (bell.get("message").asBoolean() ? "yes" : "no");
    }

    /** What is no number stays text, and the document's check says so. */
    JsonNode read(ModelForm.Type type, String typed) {
        List<String> items = Arrays.stream(typed.split(";")).map(String::strip).filter(item -> !item.isEmpty()).toList();
        ArrayNode list = NODES.arrayNode();
        switch (type) {
            case HOLES -> items.forEach(item -> hole(list.addObject(), item.split(" +", 2)));
            case MENU -> items.forEach(item -> {
                String[] parts = item.split(":", 2);
                list.addObject().put("sets", parts[0].strip()).put("where", parts.length > 1 ? parts[1].strip() : "");
            });
            case SIZES -> items.forEach(item -> size(list.addObject(), item.split(" +")));
            case BELL -> {
                return bell(typed.split(" +"));
            }
            default -> items.forEach(item -> night(list.addObject(), item.split(" +", 3)));
        }
        return list;
    }

    private void hole(ObjectNode hole, String[] figures) {
        hole.set("xMm", ModelForm.number(form, figures[0]));
        if (figures.length > 1) {
            hole.set("yMm", ModelForm.number(form, figures[1]));
        }
    }

    private void night(ObjectNode night, String[] parts) {
        night.put("light", parts[0]);
        night.set("rangeM", ModelForm.number(form, parts.length > 1 ? parts[1] : ""));
        night.set("lightMa", ModelForm.number(form, parts.length > 2 ? parts[2] : ""));
    }

    /** Its name may be of several words; the two figures are the last. */
    private void size(ObjectNode size, String[] parts) {
        int figures = Math.max(0, parts.length - 2);
        size.put("name", Arrays.stream(parts).limit(figures).collect(Collectors.joining(" ")));
        size.set("widthPx", ModelForm.number(form, parts[figures]));
        size.set("bitrateMbps", ModelForm.number(form, figures + 1 < parts.length ? parts[figures + 1] : ""));
    }

    private ObjectNode bell(String[] parts) {
        ObjectNode bell = NODES.objectNode();
        ArrayNode chimes = bell.putArray("chimes");
        int figures = Math.max(0, parts.length - 3);
        Arrays.stream(parts).limit(figures).forEach(chimes::add);
        bell.set("replies", ModelForm.number(form, parts[figures]));
        bell.set("replyChars", ModelForm.number(form, figures + 1 < parts.length ? parts[figures + 1] : ""));
        bell.put("message", figures + 2 < parts.length && parts[figures + 2].equals("yes"));
        return bell;
    }
}
