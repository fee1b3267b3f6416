module Places
  module Gather
    # What Gather's routes ask for.
    module Helpers
      # What is chosen to be read: a source or an artwork of the project.
      # @return [Readable]
      def readable
        @readable ||= case param[:kind]
        when "sources" then project.sources.find(param.id(:readable))
        when "artworks" then project.artworks.find(param.id(:readable))
        else raise ActiveRecord::RecordNotFound
        end
      end

      # Pictures that were brought in from the same file are there already; two grabs of a screen
      # are two, however alike.
      def bring_in_sources
        return bring_in(Changes::BringInSource, kind: "screen") if param[:as] == "screen"
        bring_in(Changes::BringInSource, there: ->(sha256) { project.sources.find_by(sha256:, kind: "picture") })
      end

      def seen = @seen ||= Seen.new(readable)

      def source = @source ||= project.sources.find(param.id(:source))

      def find = @find ||= project.finds.find(param.id(:find))

      # What the page looks at, for the finds in the hand.
      def looked = @page&.looked

      def role = (param[:role] == "line") ? "line" : "fill"

      # A reading was taken: hold it, or keep it at once in the chosen group.
      def taken(find, **shown)
        take_in_hand Hand::Content.of_find(find)
        keep(group_to_keep_in("Choose a group to drop into"), find.colour, find:) if choices[:release] == "drop" && param[:group]
        with = param.text(:with)[/\A[\d,]+\z/]
        looked = with ? {source: param.id(:looked)} : find.readable&.parameter.to_h
        redirect to(at("gather", **looked, find: find.id, with:, **shown)), 303
      end

      # Main colours, if they are what the form showed: another window may have chosen
      # another number of them.
      # @raise [Magpie::Error]
      def as_shown(colours)
        return colours if param[:saw].nil? || param[:saw] == colours.map { |each| each.colour.hex }.join(",")
        raise Magpie::Error, "Another window has chosen other main colours meanwhile. Nothing was kept. Look, and do it again"
      end
    end
  end
end
