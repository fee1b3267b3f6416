module Places
  module Deliver
    # What its routes and views ask for.
    module Helpers
      def download(name, type, body)
        content_type type
        attachment name
        body
      end

      # What a format carries of a palette, and what it loses.
      def carried(format, palette)
        lost = format.losses(palette.value)
        rest = lost.empty? ? "Empty slots and locks stay here; nothing else is lost" : "Lost: #{Magpie::Text.list(lost)}; empty slots and locks stay here"
        "#{format.title} carry #{format.carries}. #{rest}."
      end

      def palette = project.palettes.find(number(params[:palette]))

      def import = @import ||= Import.where(project_id: project.id).find(number(params[:import]))

      def into = palettes.find { |each| each.id == number(params[:into]) }
    end
  end
end
