module Changes
  # What nobody needs any more goes, by rules that docs/architecture.md tells. One process
  # at a time does it, once a day; a step that meets somebody's work waits for the next.
  module Housekeeping
    DAY = 86_400 # seconds
    ANSWERED = DAY # nobody's form arrives a second time later than that
    OPENED = 7 * DAY # a file that was looked at and not brought in
    UNUSED = 400 * DAY # a browser's session lasts a year
    # Changes of a project that can always be undone, and the time for which all can.
    NEWEST = 1000
    LISTED = 400 * DAY
    LOCK = 0x4D6170

    module_function

    # @return [Hash{Symbol => Integer}] how many of each went; empty where it was not time
    def perform(now: Time.now)
      Record.transaction do
        next {} unless Record.connection.select_value("SELECT pg_try_advisory_xact_lock(#{LOCK})") && due?(now)
        Setting.write("kept_house_at", now.to_i.to_s)
        {answers: Answer.where(created_at: ...(now - ANSWERED)).delete_all, imports: Import.where(created_at: ...(now - OPENED), brought_at: nil).delete_all, works: Work.forget(now:),
         hands: Hand.where(used_at: ...(now - UNUSED)).delete_all, visitors: visitors(now), changes: seal(now), blobs: blobs(now)}
      end
    end

    # In a thread of the server.
    def daily
      Thread.new do
        loop do
          perform
        rescue => error
          warn "Housekeeping: #{error.message}"
        ensure
          Record.connection_handler.clear_active_connections!(:all)
          sleep DAY / 4
        end
      end
    end

    def due?(now) = Setting.read("kept_house_at").to_i <= now.to_i - DAY

    def visitors(now) = Visitor.where(used_at: ...(now - UNUSED)).where.not(mark: Hand.select(:visitor)).delete_all

    # They are told as before, with the values that they gave; what would undo them goes.
    def seal(now)
      recent = "SELECT id FROM changes newest WHERE newest.project_id = changes.project_id ORDER BY id DESC LIMIT #{NEWEST}"
      RecordedChange.where(sealed: false, created_at: ...(now - LISTED)).where("id NOT IN (#{recent})").update_all("sealed = TRUE, rows = '[]', touched = '{}', files = '{}'")
    end

    # Whoever keeps the same bytes now says so first (Blob.keep), and is waited for.
    def blobs(now)
      used = {Source => %i[sha256], Artwork => %i[original template], Import => %i[sha256], Library => %i[sha256], Condition => %i[sha256], Board => %i[sha256]}.flat_map { |model, columns| columns.map { |column| "SELECT #{column} FROM #{model.table_name} WHERE #{column} IS NOT NULL" } }
      Blob.where(kept_at: ...(now - OPENED)).where("sha256 NOT IN (#{[*used, "SELECT unnest(files) FROM changes", "SELECT sha256 FROM drawn_pictures"].join(" UNION ")})").delete_all
    end
  end
end
