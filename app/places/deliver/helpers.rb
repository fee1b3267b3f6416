module Places
  module Deliver
    # What Deliver's routes ask for.
    module Helpers
      def download(name, type, body)
        content_type type
        attachment name
        body
      end

      # Swatches that were selected, of which alone the file is made.
      # @return [Array<Integer>] none where groups go
      def ids = param.on?(:selected) ? choices.selected : []

      # Groups that stay, from what is ticked: a palette's box stands for all of its groups,
      # where it was the one that was clicked.
      # @return [Array<Integer>]
      def left_out
        was, ticks, whole = Going.new(desk), param.list(:ticks).map { |id| Frame::Asked.id(id) }, param.list(:palettes).map { |id| Frame::Asked.id(id) }
        palettes.flat_map do |palette|
          groups = palette.groups.map(&:id)
          going = palette.groups.select { |group| was.goes?(group) }.map(&:id)
          all, clicked = going.size == groups.size && groups.any?, whole.include?(palette.id)
          next (clicked ? [] : groups) if clicked != all && (ticks & groups).sort == going.sort
          groups - ticks
        end
      end

      # What is chosen about a format; boxes that are ticked together are one value.
      # @return [Hash{String => String}]
      def options
        given = param.table(:options)
        several = param.table(:several).keys.to_h { |key| [key, given.keys.filter_map { |name| name.delete_prefix("#{key}.") if name.start_with?("#{key}.") }.join(",")] }
        format = Magpie::Formats.find(param.text(:format)) or raise ActiveRecord::RecordNotFound
        known = [*format.options, *Magpie::Formats::Prepared::OPTIONS].map(&:key) + ["dark"]
        given.merge(several).slice(*known)
      end

      # A swatch of a file as CSS: it has no property that it could follow.
      def came_css(swatch) = swatch.compound ? ::Page::Background.of(swatch.compound.referring([])) : swatch.colour.hex

      # "3 days ago"
      def ago(time)
        seconds = (Time.now - time).to_i
        {86_400 => "day", 3_600 => "hour", 60 => "minute"}.each { |unit, word| return "#{count(seconds / unit, word)} ago" if seconds >= unit }
        "just now"
      end

      def import = @import ||= project.imports.find(param.id(:import))

      # @return [Palette]
      def bring_in_import(target)
        page = ImportPage.new(import, into, desk)
        brought = Changes::BringInPalette.perform(target, actor:, value: page.palette, into:, before: (Opened.result(page.older).palette if page.newer?), choices: choices_made(page), told: (told if param[:work]))
        import.update!(brought_at: Time.now, palette: brought)
        brought
      end

      # To the next of the files that came together; else to the palette, where it is not so
      # large that a page of it takes long.
      # @return [String]
      def on_from_here(target, brought)
        following = import.together.where(brought_at: nil).first
        return at("deliver/imports/#{following.id}") if following
        "/projects/#{target.id}/#{(brought.swatches.count > ImportPage::LARGE) ? "deliver" : "palettes"}"
      end

      # Tells how far it is, and hears whether it was called off.
      def told
        lambda do |done, total|
          Work.tell(param.text(:work), done, total)
          raise Answer::CalledOff, "It was called off, and nothing came in" if Answer.called_off?(once_key(request.path, param[:once]))
        end
      end

      # One for each, or the one for all where nobody said anything of it.
      # @return [Hash{String => String}]
      def choices_made(page)
        all = param[:all].to_s
        page.meetings.all.filter_map { |meeting| [meeting.key, param.table(:choices).fetch(meeting.key) { all }] if param.table(:choices).key?(meeting.key) || !all.empty? }.to_h
      end

      # @raise [Magpie::Error] with nothing changed
      def read_again
        read_as = Magpie::Formats.find(param.text(:as))&.key
        columns = param.table(:columns).reject { |_, role| role.empty? }
        import.assign_attributes(read_as: read_as || import.read_as, columns: (columns if columns.any?))
        import.update!(Changes::OpenFile.facts(Opened.result(import)))
      end

      def into = palettes.find { |each| each.id == param.id(:into) }
    end
  end
end
