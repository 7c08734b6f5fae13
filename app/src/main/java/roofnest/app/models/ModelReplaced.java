package roofnest.app.models;

/** Another document stands in the place of a firm's own model. @param key as cameras are stored with */
public record ModelReplaced(long firmId, String key) {}
