// Small page components for Alpine's CSP build: no expressions, only names.
document.addEventListener("alpine:init", () => {
  window.Alpine.data("sentence", () => ({
    kind: "MAKE_OUT",
    place: "",
    init() {
      this.kind = this.$el.dataset.kind;
      this.place = this.$refs.place.value;
    },
    pickPlace() {
      this.place = this.$refs.place.value;
    },
    get isOtherPlace() {
      return this.place === "";
    },
    pick(event) {
      this.kind = event.target.value;
    },
    get isMakeOut() {
      return this.kind === "MAKE_OUT";
    },
    get isRecordedBefore() {
      return this.kind === "RECORDED_BEFORE";
    },
    get isSeen() {
      return this.isMakeOut || this.isRecordedBefore;
    },
    get isTellsOf() {
      return this.kind === "TELLS_OF";
    },
    get isPlaced() {
      return this.isSeen || this.isTellsOf;
    },
    get isRingsAtMost() {
      return this.kind === "RINGS_AT_MOST";
    },
    get isSilentAbout() {
      return this.kind === "SILENT_ABOUT";
    },
    get isNeverRings() {
      return this.kind === "NEVER_RINGS";
    },
    get isNeverShows() {
      return this.kind === "NEVER_SHOWS";
    },
    get isKeepsDays() {
      return this.kind === "KEEPS_DAYS";
    },
    get isTimed() {
      return this.kind === "ALERT_WITHIN" || this.kind === "LIVE_AWAY" || this.kind === "SURVIVES_THEFT";
    },
  }));

  window.Alpine.data("cell", () => ({
    role: "",
    init() {
      this.role = this.$refs.role.value;
    },
    pick() {
      this.role = this.$refs.role.value;
    },
    get isGuest() {
      return this.role === "GUEST";
    },
    get isSomebody() {
      return this.role !== "";
    },
  }));
});
